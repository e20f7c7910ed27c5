// jsdom lacks structuredClone, which every browser and Node have. Builds are JSON, so JSON does here.
globalThis.structuredClone ??= (value) => JSON.parse(JSON.stringify(value));
