/** The temperature a studio is taken to have, °C. */
const STUDIO_CELSIUS = 20;

/** Speed of sound in air, m/s: 331.3·√(1 + t/273.15), 343.2 at 20 °C. Ideal gas, dry air. */
export const speedOfSound = (celsius: number = STUDIO_CELSIUS): number =>
  331.3 * Math.sqrt(1 + celsius / 273.15);

/** How long sound takes over a distance, ms. */
export const airDelayMs = (distanceM: number): number => (distanceM * 1000) / speedOfSound();
