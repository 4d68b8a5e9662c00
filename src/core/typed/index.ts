export * from './field-text';
export * from './german';
export * from './money';
export * from './number';
export * from './pace';
export * from './parse';
export * from './ratio';
export * from './thread';
