/** Changes made on the drawing or in a dialog, that may be refused with a reason. */
export * from './drive-new.ts';
export * from './axes-by-hand.ts';
export * from './key-together.ts';
export * from './layers-by-hand.ts';
export * from './hold.ts';
export * from './replace-stage.ts';
export * from './delete-with.ts';
export * from './mesh-kind.ts';
export * from './close-loop.ts';
export * from './serve.ts';
export * from './idler.ts';
export * from './tooth-form.ts';
export * from './mend.ts';
export * from './try-fix.ts';
export * from './swing-axis.ts';
export * from './place-as.ts';
export * from './poses.ts';
