/** The mark of our files, and the version of the schema that this code writes. */
export const FORMAT = 'tesseron-machine';

export const VERSION = 12;
