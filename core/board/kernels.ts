import type { Field } from "./grid.ts";
import { KERNELS, type Kernels } from "./kernels.wasm.ts";

// Loops over every pixel run in WebAssembly with SIMD: several times faster than here. A call copies what it needs into linear
// memory, runs, and copies its result out, so that nothing outlives it there and fields stay ordinary arrays.

const ALPHABET = "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/";

/** Base64 as bytes, without the help of browser or server. */
function bytesOf(text: string): Uint8Array<ArrayBuffer> {
  const bytes: number[] = [];
  let bits = 0;
  let held = 0;
  for (const letter of text) {
    const value = ALPHABET.indexOf(letter);
    if (value < 0) break;
    held = (held << 6) | value;
    bits += 6;
    if (bits >= 8) {
      bits -= 8;
      bytes.push((held >> bits) & 255);
    }
  }
  return Uint8Array.from(bytes);
}

const PAGE = 65_536;
/** The first page is the compiler's own. */
const BASE = PAGE;
const LINE = 16;
/** Fields that are needed again and again stay in memory, up to so many bytes; then all of them are forgotten. */
const MOST_STAYING = 400_000_000;

interface Machine {
  memory: WebAssembly.Memory;
  kernels: Kernels;
  /** where fields that stay lie, and the first address after them */
  staying: Map<MemoryArray, number>;
  free: number;
}

let machine: Machine | null = null;

function started(): Machine {
  if (!machine) {
    const { exports } = new WebAssembly.Instance(new WebAssembly.Module(bytesOf(KERNELS)));
    machine = {
      memory: exports.memory as WebAssembly.Memory,
      kernels: exports as unknown as Kernels,
      staying: new Map(),
      free: BASE,
    };
  }
  return machine;
}

type MemoryArray = Float32Array | Float64Array | Int16Array | Int32Array | Uint8Array;

const bytesIn = (array: MemoryArray) => new Uint8Array(array.buffer, array.byteOffset, array.byteLength);

function grown(memory: WebAssembly.Memory, bytes: number) {
  if (bytes > memory.buffer.byteLength) memory.grow(Math.ceil((bytes - memory.buffer.byteLength) / PAGE) + 64);
}

const aligned = (bytes: number) => Math.ceil(bytes / LINE) * LINE;

/**
 * Lets fields that never change, such as a panel's own, stay in memory. Call this while no `Memory` is in use. What
 * was let stay before may be forgotten; it is then copied in again at each call.
 */
export function letStay(fields: readonly MemoryArray[]) {
  const at = started();
  const bytes = fields.reduce((sum, field) => sum + aligned(field.byteLength), 0);
  if (at.free + bytes > MOST_STAYING) {
    at.staying.clear();
    at.free = BASE;
  }
  for (const field of fields) {
    if (at.staying.has(field)) continue;
    grown(at.memory, at.free + field.byteLength);
    new Uint8Array(at.memory.buffer, at.free, field.byteLength).set(bytesIn(field));
    at.staying.set(field, at.free);
    at.free += aligned(field.byteLength);
  }
}

/** Linear memory for the length of one call. */
export class Memory {
  private readonly machine = started();
  private next = this.machine.free;
  readonly run: Kernels = this.machine.kernels;

  /** Room for so many bytes, cleared; its address. */
  room(bytes: number): number {
    const address = this.reserve(bytes);
    new Uint8Array(this.machine.memory.buffer, address, bytes).fill(0);
    return address;
  }

  /** Room whose contents do not matter yet; its address. */
  space(bytes: number): number {
    return this.reserve(bytes);
  }

  /** An array's address in memory: copied in now, unless it stays there. It must not be written to. */
  put(array: MemoryArray): number {
    return this.machine.staying.get(array) ?? this.copied(array);
  }

  /** A copy of an array in memory, to be worked on; its address. */
  copied(array: MemoryArray): number {
    const address = this.reserve(array.byteLength);
    this.replace(address, array);
    return address;
  }

  /** The same as `put`, and 0 for nothing. */
  putOrNone(array: MemoryArray | null | undefined): number {
    return array ? this.put(array) : 0;
  }

  /** Makes what lies at an address another array of the same size. */
  replace(address: number, array: MemoryArray) {
    new Uint8Array(this.machine.memory.buffer, address, array.byteLength).set(bytesIn(array));
  }

  floats(address: number, count: number): Field {
    return new Float32Array(this.machine.memory.buffer, address, count).slice();
  }

  /** What lies at an address, as it changes there; only until more room is reserved. */
  live(address: number, count: number): Field {
    return new Float32Array(this.machine.memory.buffer, address, count);
  }

  doubles(address: number, count: number): Float64Array {
    return new Float64Array(this.machine.memory.buffer, address, count).slice();
  }

  bytes(address: number, count: number): Uint8Array<ArrayBuffer> {
    return new Uint8Array(this.machine.memory.buffer, address, count).slice();
  }

  ints(address: number, count: number): Int32Array {
    return new Int32Array(this.machine.memory.buffer, address, count).slice();
  }

  shorts(address: number, count: number): Int16Array {
    return new Int16Array(this.machine.memory.buffer, address, count).slice();
  }

  /** Takes back everything that was reserved since this mark. */
  mark(): number {
    return this.next;
  }
  release(mark: number) {
    this.next = mark;
  }

  private reserve(bytes: number): number {
    const address = this.next;
    this.next = address + aligned(bytes);
    grown(this.machine.memory, this.next);
    return address;
  }
}

/** Something that a field can be made of without ever leaving memory: noise, or a computation. */
export abstract class Source {
  abstract readonly count: number;
  /** Adds itself, so many times, to the field at an address. */
  abstract addTo(memory: Memory, address: number, factor: number): void;

  /** As an ordinary field. */
  field(): Field {
    const memory = new Memory();
    const address = memory.room(4 * this.count);
    this.addTo(memory, address, 1);
    return memory.floats(address, this.count);
  }
}

type Operand = Field | Source;

type ReckonStep =
  | { does: "plus"; factor: number; operand: Operand }
  | { does: "times"; operand: Operand }
  | { does: "scaled"; factor: number; constant: number }
  | { does: "raised" }
  | { does: "held"; low: number; high: number };

/** A field computed from others: sums, products, powers of e. Written down first, and run in one go. */
export class Reckoning extends Source {
  private readonly steps: ReckonStep[] = [];
  constructor(
    readonly count: number,
    private readonly constant = 0,
  ) {
    super();
  }

  plus(factor: number, operand: Operand): this {
    this.steps.push({ does: "plus", factor, operand });
    return this;
  }
  times(operand: Operand): this {
    this.steps.push({ does: "times", operand });
    return this;
  }
  /** what there is so far, so many times, and something more */
  scaled(factor: number, constant = 0): this {
    this.steps.push({ does: "scaled", factor, constant });
    return this;
  }
  /** e to the power of what there is so far */
  raised(): this {
    this.steps.push({ does: "raised" });
    return this;
  }
  held(low: number, high: number): this {
    this.steps.push({ does: "held", low, high });
    return this;
  }

  addTo(memory: Memory, address: number, factor: number) {
    const mark = memory.mark();
    const own = memory.room(4 * this.count);
    this.reckonAt(memory, own);
    memory.run.addTimes(address, own, this.count, factor);
    memory.release(mark);
  }

  override field(): Field {
    const memory = new Memory();
    const to = memory.room(4 * this.count);
    this.reckonAt(memory, to);
    return memory.floats(to, this.count);
  }

  private reckonAt(memory: Memory, to: number) {
    const { count } = this;
    if (this.constant !== 0) memory.run.fill(to, count, this.constant);
    for (const step of this.steps) {
      const mark = memory.mark();
      switch (step.does) {
        case "plus":
          if (step.operand instanceof Source) step.operand.addTo(memory, to, step.factor);
          else memory.run.addTimes(to, memory.put(step.operand), count, step.factor);
          break;
        case "times":
          memory.run.times(to, addressOf(step.operand, memory), count);
          break;
        case "scaled":
          memory.run.scale(to, count, step.factor, step.constant);
          break;
        case "raised":
          memory.run.raise(to, count);
          break;
        case "held":
          memory.run.hold(to, count, step.low, step.high);
          break;
      }
      memory.release(mark);
    }
  }
}

function addressOf(operand: Operand, memory: Memory): number {
  if (!(operand instanceof Source)) return memory.put(operand);
  const address = memory.room(4 * operand.count);
  operand.addTo(memory, address, 1);
  return address;
}

/** Begins a field on a grid at a constant. */
export const reckon = ({ width, height }: { width: number; height: number }, constant = 0): Reckoning =>
  new Reckoning(width * height, constant);

/** An ordinary field of what is one already, or can be made one. */
export const asField = (made: Field | Source): Field => (made instanceof Source ? made.field() : made);
