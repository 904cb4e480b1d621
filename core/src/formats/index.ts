export * from './bytes.js';
export * from './wav/header.js';
export * from './wav/decode.js';
export * from './wav/write.js';
export * from './csv/table.js';
export * from './csv/time.js';
