export * from './air';
export * from './base';
export * from './days';
export * from './dew';
export * from './evaporation';
export * from './hourly';
export * from './packs';
export * from './series';
