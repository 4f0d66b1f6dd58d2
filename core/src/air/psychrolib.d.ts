/** The part of psychrolib (reference library, tests only) that the grid test calls. */
declare module "psychrolib" {
  const psychrolib: {
    readonly SI: number;
    SetUnitSystem(system: number): void;
    CalcPsychrometricsFromRelHum(
      temperature: number,
      relativeHumidity: number,
      pressure: number,
    ): [
      W: number,
      wetBulb: number,
      dewPoint: number,
      vapourPressure: number,
      enthalpy: number,
      volume: number,
      mu: number,
    ];
    GetSatVapPres(temperature: number): number;
    GetStandardAtmPressure(elevation: number): number;
  };
  export default psychrolib;
}
