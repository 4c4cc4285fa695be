// What goes to the page as text: a large tree of small objects is slow to send piece by piece, its text is not.

/** The two kinds of quotes changed for each other: inside the page's own script, JSON would need three signs for each of its own. */
const quotesSwapped = (text: string): string =>
  text.replaceAll('"', "\u0000").replaceAll("'", '"').replaceAll("\u0000", "'");

declare const OF: unique symbol;
/** A value as text. */
export type Packed<Value> = string & { readonly [OF]: Value };

export type Unpacked<Text> = Text extends Packed<infer Value> ? Value : never;

export const packed = <Value>(value: Value) => quotesSwapped(JSON.stringify(value)) as Packed<Value>;

/** What was packed; fields that were undefined are missing. A page kept for being offline may still hold plain JSON, of an older version. */
export function unpacked<Value>(text: Packed<Value>): Value {
  const isPlain = /["']/.exec(text)?.[0] === '"';
  return JSON.parse(isPlain ? text : quotesSwapped(text)) as Value;
}
