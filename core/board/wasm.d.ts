// The little of WebAssembly that the board asks for; the core is checked without the browser's types.
declare namespace WebAssembly {
  class Memory {
    constructor(descriptor: { initial: number });
    readonly buffer: ArrayBuffer;
    grow(pages: number): number;
  }
  class Module {
    constructor(bytes: Uint8Array);
  }
  class Instance {
    constructor(module: Module);
    readonly exports: Record<string, unknown>;
  }
}
