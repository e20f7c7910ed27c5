// jsdom lacks structuredClone, which every browser and Node have. Builds are JSON, so JSON does here.
globalThis.structuredClone ??= (value) => JSON.parse(JSON.stringify(value));
// Nor has it ResizeObserver; nothing changes its size there.
globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
};
