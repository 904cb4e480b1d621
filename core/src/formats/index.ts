export * from './bytes.js';
export * from './wav/header.js';
export * from './wav/decode.js';
export * from './wav/write.js';
export * from './csv/table.js';
export * from './csv/time.js';
export { PAPERS, type Drawing, type DrawingMark, type Paper } from './drawing/drawing.js';
export { drawingSvg } from './drawing/svg.js';
export { POINTS_PER_MM, traceDrawing, type Pen } from './drawing/pen.js';
