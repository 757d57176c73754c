/** The part of the package's interface that tests use; it ships without types. */
declare module 'psychrolib' {
  const psychrolib: {
    SI: number;
    SetUnitSystem(system: number): void;
    GetVapPresFromRelHum(tempC: number, rh: number): number;
    GetTDewPointFromRelHum(tempC: number, rh: number): number;
    GetSatVapPres(tempC: number): number;
  };
  export default psychrolib;
}
