/**
 * Saturation vapour pressure over water, in hectopascals, at a temperature in °C from −45 to 60.
 * Magnus form with the constants of Sonntag (1990).
 */
export const saturationPressure = (celsius: number): number => 6.112 * Math.exp((17.62 * celsius) / (243.12 + celsius));

/**
 * The temperature, in °C, at which this air begins to leave dew. Relative humidity in per cent, over 0 to 100.
 * Magnus form with the constants of Sonntag (1990), solved for the temperature.
 */
export function dewPoint(celsius: number, relativeHumidity: number): number {
  const warmth = Math.log(relativeHumidity / 100) + (17.62 * celsius) / (243.12 + celsius);
  return (243.12 * warmth) / (17.62 - warmth);
}
