declare module "psychrolib" {
  interface Psychrolib {
    readonly SI: number;
    SetUnitSystem(system: number): void;
    GetSatVapPres(celsius: number): number;
    GetTDewPointFromRelHum(celsius: number, relativeHumidity: number): number;
    GetTWetBulbFromRelHum(celsius: number, relativeHumidity: number, pascals: number): number;
    GetHumRatioFromRelHum(celsius: number, relativeHumidity: number, pascals: number): number;
    GetMoistAirVolume(celsius: number, humidityRatio: number, pascals: number): number;
  }
  const psychrolib: Psychrolib;
  export default psychrolib;
}
