/** Air at one moment: temperature in °C, relative humidity in per cent, and how fast it moves, in metres a second. */
export interface Air {
  celsius: number;
  relativeHumidity: number;
  speed: number;
}

/** The standard atmosphere of tests and labels: 23 °C, 50 % (ISO 3270), still. */
export const STANDARD_AIR: Air = { celsius: 23, relativeHumidity: 50, speed: 0 };

/** Pressure at sea level, hPa. */
const PRESSURE = 1013.25;
/** Psychrometer coefficient of moving air, per kelvin (WMO guide to instruments and methods of observation). */
const PSYCHROMETER = 0.000662;
/** Grams a cubic metre for one hectopascal of vapour at one kelvin: 100 divided by the gas constant of water vapour, 0.4615 J/gK. */
const VAPOUR = 216.7;

/**
 * Saturation vapour pressure over water, in hectopascals, at a temperature in °C from −45 to 60.
 * Magnus form with the constants of Sonntag (1990).
 * @example saturationPressure(20) // ≈ 23.3
 */
export const saturationPressure = (celsius: number): number => 6.112 * Math.exp((17.62 * celsius) / (243.12 + celsius));

/** Pressure of the vapour that is in the air, in hectopascals. */
export const vapourPressure = (celsius: number, relativeHumidity: number): number =>
  (saturationPressure(celsius) * relativeHumidity) / 100;

/**
 * The temperature, in °C, at which this air begins to leave dew. Relative humidity in per cent, over 0 to 100.
 * Magnus form with the constants of Sonntag (1990), solved for the temperature.
 * @example dewPoint(20, 50) // ≈ 9.3
 */
export function dewPoint(celsius: number, relativeHumidity: number): number {
  const warmth = Math.log(relativeHumidity / 100) + (17.62 * celsius) / (243.12 + celsius);
  return (243.12 * warmth) / (17.62 - warmth);
}

/** Keep a surface this many °C above the dew point while it is coated and dries (ISO 8502-4 practice). */
export const DEW_MARGIN = 3;

/** Water in the air, in grams a cubic metre (ideal gas). */
export const vapourDensity = (celsius: number, relativeHumidity: number): number =>
  (VAPOUR * vapourPressure(celsius, relativeHumidity)) / (celsius + 273.15);

/**
 * The temperature, in °C, that a wet face in moving air comes to, at sea level: between the dew point and the air's own.
 * The psychrometer equation e = e_s(T_w) − A·p·(T − T_w), halved down to a thousandth of a degree.
 * @example wetBulb(20, 50) // ≈ 13.8
 */
export function wetBulb(celsius: number, relativeHumidity: number): number {
  const vapour = vapourPressure(celsius, relativeHumidity);
  let low = dewPoint(celsius, relativeHumidity);
  let high = celsius;
  while (high - low > 0.001) {
    const middle = (low + high) / 2;
    if (saturationPressure(middle) - PSYCHROMETER * PRESSURE * (celsius - middle) > vapour) high = middle;
    else low = middle;
  }
  return (low + high) / 2;
}

/** How much more a metre a second carries away than still air (from memory of heat transfer at a flat face). */
const CARRIED_BY_WIND = 1.5;

/**
 * How readily water leaves a wet face into this air, in grams a cubic metre: what the air at the face holds above what the
 * room's air holds, more where it moves.
 */
export function evaporation({ celsius, relativeHumidity, speed }: Air): number {
  const atTheFace = vapourDensity(wetBulb(celsius, relativeHumidity), 100);
  return (1 + CARRIED_BY_WIND * speed) * Math.max(0, atTheFace - vapourDensity(celsius, relativeHumidity));
}
