/** Time zones south of the equator, by their first word (tz database, zone.tab; public domain). */
const SOUTHERN: Readonly<Record<string, string>> = {
  Africa:
    "Blantyre Brazzaville Bujumbura Dar_es_Salaam Gaborone Harare Johannesburg Kigali Kinshasa Luanda Lubumbashi Lusaka Maputo Maseru Mbabane Nairobi Windhoek",
  America:
    "Araguaina Argentina/Buenos_Aires Argentina/Catamarca Argentina/Cordoba Argentina/Jujuy Argentina/La_Rioja Argentina/Mendoza Argentina/Rio_Gallegos Argentina/Salta Argentina/San_Juan Argentina/San_Luis Argentina/Tucuman Argentina/Ushuaia Asuncion Bahia Belem Campo_Grande Coyhaique Cuiaba Eirunepe Fortaleza Guayaquil La_Paz Lima Maceio Manaus Montevideo Noronha Porto_Velho Punta_Arenas Recife Rio_Branco Santarem Santiago Sao_Paulo",
  Asia: "Dili Jakarta Jayapura Makassar Pontianak",
  Atlantic: "South_Georgia St_Helena Stanley",
  Indian: "Antananarivo Chagos Christmas Cocos Comoro Kerguelen Mahe Mauritius Mayotte Reunion",
  Pacific:
    "Apia Auckland Bougainville Chatham Easter Efate Fakaofo Fiji Funafuti Galapagos Gambier Guadalcanal Kanton Marquesas Nauru Niue Norfolk Noumea Pago_Pago Pitcairn Port_Moresby Rarotonga Tahiti Tongatapu Wallis",
};
/** All of whose zones lie there. */
const WHOLLY_SOUTHERN = ["Australia", "Antarctica"];

/** Whether a zone’s clocks show summer in January. */
export function isSouthern(zone: string): boolean {
  const [first = "", ...rest] = zone.split("/");
  return WHOLLY_SOUTHERN.includes(first) || (SOUTHERN[first]?.split(" ").includes(rest.join("/")) ?? false);
}
