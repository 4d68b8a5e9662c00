export * from './field-text';
export * from './parse';
export * from './ratio';
export * from './thread';
