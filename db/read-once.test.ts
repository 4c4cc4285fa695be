import { describe, expect, it } from "vitest";
import { readOnce } from "./read-once";

describe("stored text that is read again and again", () => {
  const counted = () => {
    const times: string[] = [];
    const read = readOnce(2, (stored, key) => {
      times.push(`${key} ${JSON.stringify(stored)}`);
      if (stored === null) throw new Error(`${key} cannot be read`);
      return stored as { coats: number };
    });
    return { times, read };
  };

  it("is read once, and again only when it has changed", () => {
    const { times, read } = counted();
    const first = read('{"coats":1}', "door");
    expect(read('{"coats":1}', "door")).toBe(first);
    expect(read('{"coats":2}', "door")).toEqual({ coats: 2 });
    expect(read('{"coats":1}', "door")).toEqual({ coats: 1 });
    expect(times).toHaveLength(3);
  });

  it("is kept apart by key, and forgotten when there is too much of it", () => {
    const { times, read } = counted();
    const door = read('{"coats":1}', "door");
    expect(read('{"coats":1}', "frame")).not.toBe(door);
    read('{"coats":1}', "lid");
    expect(read('{"coats":1}', "door")).not.toBe(door);
    expect(times).toHaveLength(4);
  });

  it("keeps nothing of what could not be read", () => {
    const { times, read } = counted();
    expect(() => read("no", "door")).toThrow("door cannot be read");
    expect(() => read("no", "door")).toThrow("door cannot be read");
    expect(times).toEqual(["door null", "door null"]);
  });

  it("is known as soon as it is written, if that is what is stored", () => {
    const { times, read } = counted();
    const value = { coats: 3 };
    read.written(value, "door");
    expect(read('{"coats":3}', "door")).toBe(value);
    expect(times).toEqual([]);
    // somebody else's write came after it, or its own was rolled back
    expect(read('{"coats":2}', "door")).toEqual({ coats: 2 });
    expect(times).toEqual(['door {"coats":2}']);
  });
});
