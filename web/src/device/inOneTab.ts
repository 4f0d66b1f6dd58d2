/**
 * Does work in one tab of this device at a time. Without locks (a page not served over https or loopback) two tabs may do it:
 * harmless, only twice the work.
 */
export const inOneTab = <T>(name: string, work: () => Promise<T>): Promise<T> =>
  globalThis.navigator?.locks ? navigator.locks.request(name, work) : work();
