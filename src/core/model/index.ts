export { resolve } from './resolve';
export { nodeOf, type GraphEdge, type LoopGraph, type Model, type PlacedItem, type PlacedPort, type Solid } from './types';
