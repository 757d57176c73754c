import 'fake-indexeddb/auto';

/** What a browser has and the test's page has not. Call it before what keeps things on the device is used. */
export function standInDevice(): void {
  Object.assign(globalThis, {
    BroadcastChannel: class {
      postMessage() {}
      close() {}
    },
    structuredClone: (value: unknown) => JSON.parse(JSON.stringify(value)) as unknown,
  });
}
