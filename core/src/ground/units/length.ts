/** Millimetres in an inch, exact by definition (1959 international yard and pound agreement). */
export const MM_PER_INCH = 25.4;

/** Module in mm of a diametral pitch (teeth per inch of pitch diameter): m = 25.4 / DP. */
export const moduleOfDiametralPitch = (pitch: number): number => MM_PER_INCH / pitch;

/** Module in mm of a circular pitch in mm: m = p / π. */
export const moduleOfCircularPitch = (pitch: number): number => pitch / Math.PI;
