export interface Lighting {
  /** where the light stands, in degrees: 0 from the right, turning as a clock does; 225 is from the upper left */
  azimuth: number;
  /** how high over the board it stands, in degrees: low is raking */
  elevation: number;
}

export const USUAL_LIGHTING: Lighting = { azimuth: 225, elevation: 38 };
