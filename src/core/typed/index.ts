export * from './field-text';
export * from './parse';
export * from './thread';
