import 'reflect-metadata';

export * from './cord.dto.js';
export * from './bead.dto.js';
export * from './part.dto.js';
export * from './closure.dto.js';
export * from './piece.dto.js';
export * from './workshop.dto.js';
export * from './make.dto.js';
export * from './swatch.dto.js';
export * from './plain.js';
export * from './validate.js';
export * from './views.js';
export * from './page.dto.js';
