/** The frame that stands still. */
export const GROUND = 'ground';
