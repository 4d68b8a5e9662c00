export * from './cloud';
export * from './scan';
export { type FittedSurface, fitSurface, heightAt, type SurfaceForm } from './surface-fit';
