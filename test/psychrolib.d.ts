/** The reference library the dew point is checked against ships no types. */
declare module 'psychrolib' {
  const psychrolib: {
    SI: number;
    SetUnitSystem(system: number): void;
    GetTDewPointFromRelHum(dryBulbC: number, relativeHumidity: number): number;
    GetMoistAirVolume(dryBulbC: number, humidityRatio: number, pressurePa: number): number;
    GetHumRatioFromRelHum(dryBulbC: number, relativeHumidity: number, pressurePa: number): number;
    GetRelHumFromHumRatio(dryBulbC: number, humidityRatio: number, pressurePa: number): number;
  };
  export default psychrolib;
}
