/** The reference library the dew point is checked against ships no types. */
declare module 'psychrolib' {
  const psychrolib: {
    SI: number;
    SetUnitSystem(system: number): void;
    GetTDewPointFromRelHum(dryBulbC: number, relativeHumidity: number): number;
  };
  export default psychrolib;
}
