import { TestEnvironment } from "jest-environment-jsdom";

/** jsdom lacks what Node has: hand Node's own over. */
export default class extends TestEnvironment {
  async setup() {
    await super.setup();
    Object.assign(this.global, {
      fetch,
      Request,
      Response,
      Headers,
      TextEncoder,
      TextDecoder,
      structuredClone,
      BroadcastChannel,
    });
    this.global.matchMedia ??= () => ({ matches: false, addEventListener() {}, removeEventListener() {} });
    this.global.ResizeObserver ??= class {
      observe() {}
      unobserve() {}
      disconnect() {}
    };
  }
}
