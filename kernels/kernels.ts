// The pixel loops of the sample board, in AssemblyScript: compiled by `npm run kernels` to WebAssembly with SIMD, into
// core/board/kernels.wasm.ts. They run six to twenty times faster than the same loops in plain JavaScript here.
// Every function works on addresses in linear memory, which the caller lays out (see core/board/kernels.ts). Rows are not padded;
// fields are float32, covers are bytes. The last few pixels that do not fill four lanes are done one by one.

const LANES: i32 = 4;

// @ts-ignore: decorator
@inline
function at(base: usize, index: i32): usize {
  return base + ((<usize>index) << 2);
}

// @ts-ignore: decorator
@inline
function clampf(value: f32, low: f32, high: f32): f32 {
  return max(low, min(high, value));
}

/** The lattice value at a place, -1 to 1: the same mixing of bits as core/board/random.ts. */
function latticeAt(x: i32, y: i32, seed: i32): f32 {
  let mixed: i32 = (x * 374761393) ^ (y * 668265263) ^ (seed * <i32>2246822519);
  mixed = (mixed ^ (mixed >>> 13)) * 1274126177;
  mixed = (mixed ^ (mixed >>> 16)) * 2146121005;
  const bits: u32 = <u32>(mixed ^ (mixed >>> 15));
  return <f32>((<f64>bits / 4294967296.0) * 2.0 - 1.0);
}

/**
 * Adds B-spline noise to a field. `columns` and `rows` hold a first lattice index (int32) and four weights (float32) a pixel,
 * twenty bytes each; `line` is room for one lattice row; `ring` for six lines of the picture's width.
 */
export function addNoise(
  field: usize,
  width: i32,
  height: i32,
  columns: usize,
  rows: usize,
  line: usize,
  ring: usize,
  seed: i32,
  amount: f32,
): void {
  const firstColumn = load<i32>(columns);
  const lastColumn = load<i32>(columns + <usize>((width - 1) * 20)) + 3;
  let made: i32 = load<i32>(rows) - 1;
  for (let y = 0; y < height; y++) {
    const row = rows + <usize>(y * 20);
    const first = load<i32>(row);
    while (made < first + 3) {
      made++;
      for (let x = firstColumn; x <= lastColumn; x++) store<f32>(at(line, x - firstColumn), latticeAt(x, made, seed));
      const into = ring + (<usize>(((made % 6) + 6) % 6) * <usize>width * 4);
      for (let x = 0; x < width; x++) {
        const column = columns + <usize>(x * 20);
        const from = at(line, load<i32>(column) - firstColumn);
        store<f32>(
          at(into, x),
          load<f32>(column, 4) * load<f32>(from) +
            load<f32>(column, 8) * load<f32>(from, 4) +
            load<f32>(column, 12) * load<f32>(from, 8) +
            load<f32>(column, 16) * load<f32>(from, 12),
        );
      }
    }
    const one = ring + (<usize>(((first % 6) + 6) % 6) * <usize>width * 4);
    const two = ring + (<usize>((((first + 1) % 6) + 6) % 6) * <usize>width * 4);
    const three = ring + (<usize>((((first + 2) % 6) + 6) % 6) * <usize>width * 4);
    const four = ring + (<usize>((((first + 3) % 6) + 6) % 6) * <usize>width * 4);
    const a = load<f32>(row, 4) * amount;
    const b = load<f32>(row, 8) * amount;
    const c = load<f32>(row, 12) * amount;
    const d = load<f32>(row, 16) * amount;
    const to = at(field, y * width);
    let x = 0;
    const va = f32x4.splat(a);
    const vb = f32x4.splat(b);
    const vc = f32x4.splat(c);
    const vd = f32x4.splat(d);
    for (; x <= width - LANES; x += LANES) {
      const sum = f32x4.add(
        f32x4.add(f32x4.mul(va, v128.load(at(one, x))), f32x4.mul(vb, v128.load(at(two, x)))),
        f32x4.add(f32x4.mul(vc, v128.load(at(three, x))), f32x4.mul(vd, v128.load(at(four, x)))),
      );
      v128.store(at(to, x), f32x4.add(v128.load(at(to, x)), sum));
    }
    for (; x < width; x++)
      store<f32>(
        at(to, x),
        load<f32>(at(to, x)) +
          ((a * load<f32>(at(one, x)) + b * load<f32>(at(two, x))) +
            (c * load<f32>(at(three, x)) + d * load<f32>(at(four, x)))),
      );
  }
}

export function fill(field: usize, count: i32, value: f32): void {
  for (let i = 0; i < count; i++) store<f32>(at(field, i), value);
}

/** to += factor * from */
export function addTimes(to: usize, from: usize, count: i32, factor: f32): void {
  const by = f32x4.splat(factor);
  let i = 0;
  for (; i <= count - LANES; i += LANES)
    v128.store(at(to, i), f32x4.add(v128.load(at(to, i)), f32x4.mul(by, v128.load(at(from, i)))));
  for (; i < count; i++) store<f32>(at(to, i), load<f32>(at(to, i)) + factor * load<f32>(at(from, i)));
}

/** to = to * factor + constant */
export function scale(to: usize, count: i32, factor: f32, constant: f32): void {
  const by = f32x4.splat(factor);
  const plus = f32x4.splat(constant);
  let i = 0;
  for (; i <= count - LANES; i += LANES)
    v128.store(at(to, i), f32x4.add(plus, f32x4.mul(by, v128.load(at(to, i)))));
  for (; i < count; i++) store<f32>(at(to, i), load<f32>(at(to, i)) * factor + constant);
}

/** to += factor * (one, or other where the byte is 1) */
export function addChosen(to: usize, one: usize, other: usize, bytes: usize, count: i32, factor: f32): void {
  for (let i = 0; i < count; i++) {
    const from = load<u8>(bytes + <usize>i) == 1 ? other : one;
    store<f32>(at(to, i), load<f32>(at(to, i)) + factor * load<f32>(at(from, i)));
  }
}

/** to *= from */
export function times(to: usize, from: usize, count: i32): void {
  let i = 0;
  for (; i <= count - LANES; i += LANES)
    v128.store(at(to, i), f32x4.mul(v128.load(at(to, i)), v128.load(at(from, i))));
  for (; i < count; i++) store<f32>(at(to, i), load<f32>(at(to, i)) * load<f32>(at(from, i)));
}

/** Holds a field between two bounds. */
export function hold(to: usize, count: i32, low: f32, high: f32): void {
  const l = f32x4.splat(low);
  const h = f32x4.splat(high);
  let i = 0;
  for (; i <= count - LANES; i += LANES) v128.store(at(to, i), f32x4.max(l, f32x4.min(h, v128.load(at(to, i)))));
  for (; i < count; i++) store<f32>(at(to, i), clampf(load<f32>(at(to, i)), low, high));
}

/** e to the power of every value, held to -20 … 20 first; good to a part in ten thousand. */
export function raise(to: usize, count: i32): void {
  const low = f32x4.splat(-20);
  const high = f32x4.splat(20);
  const log2e = f32x4.splat(1.44269504);
  const c1 = f32x4.splat(0.69314718);
  const c2 = f32x4.splat(0.24022651);
  const c3 = f32x4.splat(0.055504109);
  const c4 = f32x4.splat(0.0096181291);
  const c5 = f32x4.splat(0.0013333558);
  const one = f32x4.splat(1);
  const bias = i32x4.splat(127);
  const whole = count - (count % LANES);
  for (let i = 0; i < whole; i += LANES) v128.store(at(to, i), lanesRaised(v128.load(at(to, i)), low, high, log2e, c1, c2, c3, c4, c5, one, bias));
  for (let i = whole; i < count; i++) {
    const lanes = lanesRaised(f32x4.splat(load<f32>(at(to, i))), low, high, log2e, c1, c2, c3, c4, c5, one, bias);
    store<f32>(at(to, i), f32x4.extract_lane(lanes, 0));
  }
}

// @ts-ignore: decorator
@inline
function lanesRaised(
  value: v128,
  low: v128,
  high: v128,
  log2e: v128,
  c1: v128,
  c2: v128,
  c3: v128,
  c4: v128,
  c5: v128,
  one: v128,
  bias: v128,
): v128 {
  const scaled = f32x4.mul(f32x4.max(low, f32x4.min(high, value)), log2e);
  const floor = f32x4.floor(scaled);
  const part = f32x4.sub(scaled, floor);
  const mantissa = f32x4.add(
    one,
    f32x4.mul(
      part,
      f32x4.add(
        c1,
        f32x4.mul(
          part,
          f32x4.add(c2, f32x4.mul(part, f32x4.add(c3, f32x4.mul(part, f32x4.add(c4, f32x4.mul(part, c5)))))),
        ),
      ),
    ),
  );
  const exponent = i32x4.shl(i32x4.add(i32x4.trunc_sat_f32x4_s(floor), bias), 23);
  return f32x4.mul(mantissa, exponent);
}

/** Running mean along rows, `radius` pixels to either side; the edge goes on beyond the border. */
export function boxRows(from: usize, to: usize, width: i32, height: i32, radius: i32): void {
  const span: i32 = radius + radius + 1;
  const whole: f32 = 1 / <f32>span;
  for (let y = 0; y < height; y++) {
    const row = at(from, y * width);
    const into = at(to, y * width);
    let sum: f32 = load<f32>(row) * <f32>radius;
    for (let x = 0; x < radius; x++) sum += load<f32>(at(row, min(x, width - 1)));
    for (let x = 0; x < width; x++) {
      sum += load<f32>(at(row, min(x + radius, width - 1)));
      store<f32>(at(into, x), sum * whole);
      sum -= load<f32>(at(row, max(x - radius, 0)));
    }
  }
}

/** The same along columns; `sums` is room for one row. */
export function boxColumns(from: usize, to: usize, width: i32, height: i32, radius: i32, sums: usize): void {
  const span: i32 = radius + radius + 1;
  const whole: f32 = 1 / <f32>span;
  for (let x = 0; x < width; x++) store<f32>(at(sums, x), load<f32>(at(from, x)) * <f32>radius);
  for (let y = 0; y < radius; y++) addTimes(sums, at(from, min(y, height - 1) * width), width, 1);
  const by = f32x4.splat(whole);
  for (let y = 0; y < height; y++) {
    const enters = at(from, min(y + radius, height - 1) * width);
    const leaves = at(from, max(y - radius, 0) * width);
    const into = at(to, y * width);
    let x = 0;
    for (; x <= width - LANES; x += LANES) {
      const sum = f32x4.add(v128.load(at(sums, x)), v128.load(at(enters, x)));
      v128.store(at(into, x), f32x4.mul(sum, by));
      v128.store(at(sums, x), f32x4.sub(sum, v128.load(at(leaves, x))));
    }
    for (; x < width; x++) {
      const sum = load<f32>(at(sums, x)) + load<f32>(at(enters, x));
      store<f32>(at(into, x), sum * whole);
      store<f32>(at(sums, x), sum - load<f32>(at(leaves, x)));
    }
  }
}

/** Where nothing was found so far and this film lies, its index goes into `tops` (int16). Returns how many were found. */
export function findTops(tops: usize, thickness: usize, cover: usize, count: i32, index: i32, trace: f32): i32 {
  let found = 0;
  for (let i = 0; i < count; i++) {
    const place = tops + ((<usize>i) << 1);
    if (load<i16>(place) != -1 || load<f32>(at(thickness, i)) <= trace) continue;
    if (cover != 0 && load<u8>(cover + <usize>i) < 128) continue;
    store<i16>(place, <i16>index);
    found++;
  }
  return found;
}

/** Marks every pixel where a film lies with the film's own bits, so that pixels with the same films have the same sign. */
export function sign(signs: usize, thickness: usize, cover: usize, count: i32, bits: i32, trace: f32): void {
  for (let i = 0; i < count; i++) {
    if (load<f32>(at(thickness, i)) <= trace) continue;
    if (cover != 0 && load<u8>(cover + <usize>i) < 128) continue;
    const place = at(signs, i);
    store<i32>(place, load<i32>(place) ^ bits);
  }
}

/** The place of each sign in a list; those that are not in it get the number after the last. */
export function group(signs: usize, groups: usize, count: i32, list: usize, listed: i32): void {
  for (let i = 0; i < count; i++) {
    const own = load<i32>(at(signs, i));
    let found = 0;
    while (found < listed && load<i32>(at(list, found)) != own) found++;
    store<u8>(groups + <usize>i, <u8>found);
  }
}

/** total += thickness where it covers */
export function addFilm(total: usize, thickness: usize, cover: usize, count: i32): void {
  if (cover == 0) {
    addTimes(total, thickness, count, 1);
    return;
  }
  const part: f32 = 1.0 / 255.0;
  for (let i = 0; i < count; i++)
    store<f32>(
      at(total, i),
      load<f32>(at(total, i)) + load<f32>(at(thickness, i)) * <f32>load<u8>(cover + <usize>i) * part,
    );
}

/** to *= amount * (sum of four class fields, each by its factor) */
export function shape(
  to: usize,
  arris: usize,
  field: usize,
  high: usize,
  recess: usize,
  count: i32,
  fa: f32,
  ff: f32,
  fh: f32,
  fr: f32,
): void {
  const va = f32x4.splat(fa);
  const vf = f32x4.splat(ff);
  const vh = f32x4.splat(fh);
  const vr = f32x4.splat(fr);
  let i = 0;
  for (; i <= count - LANES; i += LANES) {
    const sum = f32x4.add(
      f32x4.add(f32x4.mul(va, v128.load(at(arris, i))), f32x4.mul(vf, v128.load(at(field, i)))),
      f32x4.add(f32x4.mul(vh, v128.load(at(high, i))), f32x4.mul(vr, v128.load(at(recess, i)))),
    );
    v128.store(at(to, i), f32x4.mul(v128.load(at(to, i)), sum));
  }
  for (; i < count; i++)
    store<f32>(
      at(to, i),
      load<f32>(at(to, i)) *
        (fa * load<f32>(at(arris, i)) +
          ff * load<f32>(at(field, i)) +
          (fh * load<f32>(at(high, i)) + fr * load<f32>(at(recess, i)))),
    );
}

// @ts-ignore: decorator
@inline
function eased(value: f32): f32 {
  const part = clampf(value, 0, 1);
  return part * part * (3 - 2 * part);
}

/**
 * How much of each group and class falls within thresholds, on the first `count` of a sample. `classes` is four runs of
 * `whole`; `groups` one byte each, or 0 for one group; `region` or 0. `weight` and `taken` are four float64 a group.
 */
export function measureCut(
  score: usize,
  classes: usize,
  region: usize,
  groups: usize,
  count: i32,
  whole: i32,
  thresholds: usize,
  softness: f32,
  weight: usize,
  taken: usize,
): void {
  const inverse: f32 = 1 / softness;
  for (let i = 0; i < count; i++) {
    const inside: f32 = region == 0 ? 1 : load<f32>(at(region, i));
    if (inside == 0) continue;
    const base: usize = groups == 0 ? 0 : <usize>load<u8>(groups + <usize>i) << 2;
    const a = load<f32>(at(classes, i));
    const f = load<f32>(at(classes, i + whole));
    const h = load<f32>(at(classes, i + 2 * whole));
    const r = load<f32>(at(classes, i + 3 * whole));
    const cut = thresholds + (base << 2);
    const threshold =
      a * load<f32>(cut) + f * load<f32>(cut, 4) + h * load<f32>(cut, 8) + r * load<f32>(cut, 12);
    const part = eased((load<f32>(at(score, i)) - threshold) * inverse + 0.5) * inside;
    const w = weight + (base << 3);
    const t = taken + (base << 3);
    store<f64>(w, load<f64>(w) + <f64>(a * inside));
    store<f64>(w, load<f64>(w, 8) + <f64>(f * inside), 8);
    store<f64>(w, load<f64>(w, 16) + <f64>(h * inside), 16);
    store<f64>(w, load<f64>(w, 24) + <f64>(r * inside), 24);
    store<f64>(t, load<f64>(t) + <f64>(a * part));
    store<f64>(t, load<f64>(t, 8) + <f64>(f * part), 8);
    store<f64>(t, load<f64>(t, 16) + <f64>(h * part), 16);
    store<f64>(t, load<f64>(t, 24) + <f64>(r * part), 24);
  }
}

/** Cuts a score into a mask, in place. `groups` is one byte a pixel, or 0 for one group. */
export function cutMask(
  score: usize,
  arris: usize,
  field: usize,
  high: usize,
  recess: usize,
  region: usize,
  groups: usize,
  count: i32,
  thresholds: usize,
  softness: f32,
): void {
  const inverse: f32 = 1 / softness;
  for (let i = 0; i < count; i++) {
    const inside: f32 = region == 0 ? 1 : load<f32>(at(region, i));
    if (inside == 0) {
      store<f32>(at(score, i), 0);
      continue;
    }
    let cut = thresholds;
    if (groups != 0) cut += <usize>load<u8>(groups + <usize>i) << 4;
    const threshold =
      load<f32>(at(arris, i)) * load<f32>(cut) +
      load<f32>(at(field, i)) * load<f32>(cut, 4) +
      load<f32>(at(high, i)) * load<f32>(cut, 8) +
      load<f32>(at(recess, i)) * load<f32>(cut, 12);
    store<f32>(at(score, i), eased((load<f32>(at(score, i)) - threshold) * inverse + 0.5) * inside);
  }
}

/** Bare ground: eight bands a pixel between a light and a dark spectrum (eight float32 each). */
export function layGround(reflectance: usize, part: usize, count: i32, light: usize, dark: usize): void {
  const l0 = v128.load(light);
  const l1 = v128.load(light, 16);
  const d0 = f32x4.sub(v128.load(dark), l0);
  const d1 = f32x4.sub(v128.load(dark, 16), l1);
  for (let i = 0; i < count; i++) {
    const p = f32x4.splat(load<f32>(at(part, i)));
    const to = reflectance + ((<usize>i) << 5);
    v128.store(to, f32x4.add(l0, f32x4.mul(p, d0)));
    v128.store(to, f32x4.add(l1, f32x4.mul(p, d1)), 16);
  }
}

/**
 * One film over what is beneath, eight bands a pixel, with its sheen: R = R0 + T² Rg / (1 - R0 Rg). `table` holds sixteen
 * float32 a step of thickness: R0, then T². A cover of 0 means everywhere.
 */
export function layFilm(
  reflectance: usize,
  gloss: usize,
  metal: usize,
  thickness: usize,
  cover: usize,
  count: i32,
  table: usize,
  perMicrometre: f32,
  steps: i32,
  trace: f32,
  ownGloss: f32,
  ownMetal: f32,
  hidesMetal: f32,
): void {
  const one = f32x4.splat(1);
  for (let i = 0; i < count; i++) {
    const thick = load<f32>(at(thickness, i));
    if (thick <= 0) continue;
    let part: f32 = 1;
    if (cover != 0) {
      part = <f32>load<u8>(cover + <usize>i) * <f32>(1.0 / 255.0);
      if (part == 0) continue;
    }
    const step = min(steps - 1, <i32>(thick * perMicrometre + 0.5));
    const row = table + ((<usize>step) << 6);
    const to = reflectance + ((<usize>i) << 5);
    const g0 = v128.load(to);
    const g1 = v128.load(to, 16);
    const b0 = v128.load(row);
    const b1 = v128.load(row, 16);
    const seen0 = f32x4.add(b0, f32x4.div(f32x4.mul(v128.load(row, 32), g0), f32x4.sub(one, f32x4.mul(b0, g0))));
    const seen1 = f32x4.add(b1, f32x4.div(f32x4.mul(v128.load(row, 48), g1), f32x4.sub(one, f32x4.mul(b1, g1))));
    if (cover == 0) {
      v128.store(to, seen0);
      v128.store(to, seen1, 16);
    } else {
      const p = f32x4.splat(part);
      v128.store(to, f32x4.add(g0, f32x4.mul(p, f32x4.sub(seen0, g0))));
      v128.store(to, f32x4.add(g1, f32x4.mul(p, f32x4.sub(seen1, g1))), 16);
    }
    if (thick > trace) {
      const oldGloss = load<f32>(at(gloss, i));
      store<f32>(at(gloss, i), oldGloss + part * (ownGloss - oldGloss));
      const oldMetal = load<f32>(at(metal, i));
      store<f32>(at(metal, i), oldMetal + part * hidesMetal * (ownMetal - oldMetal));
    }
  }
}

/**
 * Takes the light out through the surface and turns bands into linear red, green and blue. `wet` is a field or 0; `rows` are
 * three runs of eight float32. Dry k2 runs from `matt` to `sealed` as gloss goes to 0.3. Wet places shine.
 */
export function skin(
  reflectance: usize,
  gloss: usize,
  wet: usize,
  red: usize,
  green: usize,
  blue: usize,
  count: i32,
  rows: usize,
  entering: f32,
  matt: f32,
  sealed: f32,
  wetEntering: f32,
  wetWithin: f32,
  wetGloss: f32,
): void {
  const one = f32x4.splat(1);
  const r0 = v128.load(rows);
  const r1 = v128.load(rows, 16);
  const g0 = v128.load(rows, 32);
  const g1 = v128.load(rows, 48);
  const b0 = v128.load(rows, 64);
  const b1 = v128.load(rows, 80);
  for (let i = 0; i < count; i++) {
    const shine = load<f32>(at(gloss, i));
    let k1 = entering;
    let k2 = matt + (sealed - matt) * min<f32>(1, shine * <f32>(1.0 / 0.3));
    if (wet != 0) {
      const damp = load<f32>(at(wet, i));
      k1 += damp * (wetEntering - k1);
      k2 += damp * (wetWithin - k2);
      store<f32>(at(gloss, i), shine + damp * (wetGloss - shine));
    }
    const from = reflectance + ((<usize>i) << 5);
    const within = f32x4.splat(k2);
    const out = f32x4.splat((1 - k1) * (1 - k2));
    const low = v128.load(from);
    const high = v128.load(from, 16);
    const s0 = f32x4.div(f32x4.mul(out, low), f32x4.sub(one, f32x4.mul(within, low)));
    const s1 = f32x4.div(f32x4.mul(out, high), f32x4.sub(one, f32x4.mul(within, high)));
    store<f32>(at(red, i), max<f32>(0, lanesSummed(f32x4.add(f32x4.mul(r0, s0), f32x4.mul(r1, s1)))));
    store<f32>(at(green, i), max<f32>(0, lanesSummed(f32x4.add(f32x4.mul(g0, s0), f32x4.mul(g1, s1)))));
    store<f32>(at(blue, i), max<f32>(0, lanesSummed(f32x4.add(f32x4.mul(b0, s0), f32x4.mul(b1, s1)))));
  }
}

// @ts-ignore: decorator
@inline
function lanesSummed(value: v128): f32 {
  return (
    (f32x4.extract_lane(value, 0) + f32x4.extract_lane(value, 1)) +
    (f32x4.extract_lane(value, 2) + f32x4.extract_lane(value, 3))
  );
}

/** wet += part of this film that covers * (own - wet): which places of the last coat still lie open. */
export function dampen(wet: usize, thickness: usize, cover: usize, count: i32, own: f32, trace: f32): void {
  for (let i = 0; i < count; i++) {
    if (load<f32>(at(thickness, i)) <= trace) continue;
    const part: f32 = cover == 0 ? 1 : <f32>load<u8>(cover + <usize>i) * <f32>(1.0 / 255.0);
    const old = load<f32>(at(wet, i));
    store<f32>(at(wet, i), old + part * (own - old));
  }
}

/**
 * Lights a skin. `lobes` are sixteen runs of `lobeSteps` + 1 float32 by gloss, `metalLobe` one more; `screen` holds
 * `screenSteps` + 1 bytes of sRGB. Places and distances in millimetres.
 */
export function light(
  pixels: usize,
  red: usize,
  green: usize,
  blue: usize,
  gloss: usize,
  metal: usize,
  height: usize,
  recess: usize,
  width: i32,
  rows: i32,
  millimetres: f32,
  lampX: f32,
  lampY: f32,
  lampZ: f32,
  flat: f32,
  lampAway: f32,
  ambient: f32,
  lobes: usize,
  metalLobe: usize,
  lobeSteps: i32,
  screen: usize,
  screenSteps: i32,
): void {
  const slope = f32x4.splat(0.5 / millimetres);
  const inverseFlat = f32x4.splat(1 / flat);
  const steps = f32x4.splat(<f32>screenSteps);
  const zero = f32x4.splat(0);
  const one = f32x4.splat(1);
  const half = f32x4.splat(0.5);
  const lz0 = f32x4.splat(lampZ);
  let firstLanes = f32x4.splat(0.5);
  firstLanes = f32x4.replace_lane(firstLanes, 1, 1.5);
  firstLanes = f32x4.replace_lane(firstLanes, 2, 2.5);
  firstLanes = f32x4.replace_lane(firstLanes, 3, 3.5);
  for (let row = 0; row < rows; row++) {
    const up = row > 0 ? -width : 0;
    const down = row < rows - 1 ? width : 0;
    const dy: f32 = (<f32>row + 0.5) * millimetres - lampY;
    const dy2 = f32x4.splat(dy * dy + lampZ * lampZ);
    const vdy = f32x4.splat(-dy);
    for (let begin = 0; begin < width; begin += LANES) {
      // the last four of a row may overlap those before: they are then lit twice, alike
      const column = min(begin, width - LANES);
      const i = row * width + column;
      let west = v128.load(at(height, max(i - 1, 0)));
      let east = v128.load(at(height, i + 1));
      if (column == 0) west = f32x4.replace_lane(v128.shuffle<f32>(west, v128.load(at(height, i)), 0, 4, 5, 6), 0, load<f32>(at(height, i)));
      if (column == width - LANES) east = f32x4.replace_lane(v128.shuffle<f32>(v128.load(at(height, i)), v128.load(at(height, i)), 1, 2, 3, 3), 3, load<f32>(at(height, i + 3)));
      const gx = f32x4.mul(f32x4.sub(west, east), slope);
      const gy = f32x4.mul(f32x4.sub(v128.load(at(height, i + up)), v128.load(at(height, i + down))), slope);
      const upright = f32x4.div(
        one,
        f32x4.sqrt(f32x4.add(one, f32x4.add(f32x4.mul(gx, gx), f32x4.mul(gy, gy)))),
      );
      const dx = f32x4.sub(
        f32x4.mul(f32x4.add(f32x4.splat(<f32>column), firstLanes), f32x4.splat(millimetres)),
        f32x4.splat(lampX),
      );
      const away = f32x4.div(one, f32x4.sqrt(f32x4.add(f32x4.mul(dx, dx), dy2)));
      const lx = f32x4.mul(f32x4.neg(dx), away);
      const ly = f32x4.mul(vdy, away);
      const lz = f32x4.mul(lz0, away);
      const slanted = f32x4.add(f32x4.mul(gx, lx), f32x4.mul(gy, ly));
      const facing = f32x4.mul(f32x4.add(slanted, lz), upright);
      const near = f32x4.mul(f32x4.splat(lampAway), away);
      const falloff = f32x4.mul(near, near);
      const direct = f32x4.min(
        f32x4.splat(1.7),
        f32x4.max(zero, f32x4.mul(f32x4.mul(facing, inverseFlat), falloff)),
      );
      const sunk = f32x4.sub(one, f32x4.mul(f32x4.splat(0.42), v128.load(at(recess, i))));
      const shade = f32x4.mul(
        f32x4.add(f32x4.splat(ambient), f32x4.mul(f32x4.splat(1 - ambient), direct)),
        sunk,
      );
      const hz = f32x4.add(lz, one);
      const halfway = f32x4.div(
        one,
        f32x4.sqrt(f32x4.add(f32x4.mul(hz, hz), f32x4.add(f32x4.mul(lx, lx), f32x4.mul(ly, ly)))),
      );
      const towards = f32x4.max(
        zero,
        f32x4.min(one, f32x4.mul(f32x4.mul(f32x4.add(slanted, hz), halfway), upright)),
      );
      const index = i32x4.trunc_sat_f32x4_s(f32x4.mul(towards, f32x4.splat(<f32>lobeSteps)));
      const shine = f32x4.max(zero, f32x4.min(one, v128.load(at(gloss, i))));
      const which = i32x4.trunc_sat_f32x4_s(f32x4.add(f32x4.mul(shine, f32x4.splat(15)), half));
      const place = i32x4.add(i32x4.mul(which, i32x4.splat(lobeSteps + 1)), index);
      let lobe = f32x4.splat(load<f32>(at(lobes, i32x4.extract_lane(place, 0))));
      lobe = f32x4.replace_lane(lobe, 1, load<f32>(at(lobes, i32x4.extract_lane(place, 1))));
      lobe = f32x4.replace_lane(lobe, 2, load<f32>(at(lobes, i32x4.extract_lane(place, 2))));
      lobe = f32x4.replace_lane(lobe, 3, load<f32>(at(lobes, i32x4.extract_lane(place, 3))));
      const lights = v128.and(
        f32x4.gt(facing, zero),
        f32x4.mul(
          f32x4.mul(shine, f32x4.add(f32x4.splat(0.06), f32x4.mul(f32x4.splat(0.42), shine))),
          f32x4.mul(lobe, f32x4.mul(falloff, sunk)),
        ),
      );
      const metallic = v128.load(at(metal, i));
      let coloured = shade;
      if (v128.any_true(f32x4.gt(metallic, zero))) {
        let mirror = f32x4.splat(load<f32>(at(metalLobe, i32x4.extract_lane(index, 0))));
        mirror = f32x4.replace_lane(mirror, 1, load<f32>(at(metalLobe, i32x4.extract_lane(index, 1))));
        mirror = f32x4.replace_lane(mirror, 2, load<f32>(at(metalLobe, i32x4.extract_lane(index, 2))));
        mirror = f32x4.replace_lane(mirror, 3, load<f32>(at(metalLobe, i32x4.extract_lane(index, 3))));
        mirror = f32x4.mul(f32x4.splat(2), f32x4.mul(mirror, f32x4.mul(falloff, sunk)));
        coloured = f32x4.add(
          shade,
          f32x4.mul(
            metallic,
            f32x4.add(f32x4.sub(mirror, f32x4.mul(half, shade)), f32x4.mul(f32x4.splat(1.5), lights)),
          ),
        );
      }
      const white = f32x4.mul(lights, f32x4.sub(one, metallic));
      const r = shownAt(v128.load(at(red, i)), coloured, white, steps);
      const g = shownAt(v128.load(at(green, i)), coloured, white, steps);
      const b = shownAt(v128.load(at(blue, i)), coloured, white, steps);
      const to = pixels + ((<usize>i) << 2);
      store<u32>(to, packed(screen, i32x4.extract_lane(r, 0), i32x4.extract_lane(g, 0), i32x4.extract_lane(b, 0)));
      store<u32>(to, packed(screen, i32x4.extract_lane(r, 1), i32x4.extract_lane(g, 1), i32x4.extract_lane(b, 1)), 4);
      store<u32>(to, packed(screen, i32x4.extract_lane(r, 2), i32x4.extract_lane(g, 2), i32x4.extract_lane(b, 2)), 8);
      store<u32>(to, packed(screen, i32x4.extract_lane(r, 3), i32x4.extract_lane(g, 3), i32x4.extract_lane(b, 3)), 12);
    }
  }
}

// @ts-ignore: decorator
@inline
function shownAt(light: v128, coloured: v128, white: v128, steps: v128): v128 {
  const seen = f32x4.add(f32x4.mul(light, coloured), white);
  return i32x4.trunc_sat_f32x4_s(
    f32x4.mul(f32x4.max(f32x4.splat(0), f32x4.min(f32x4.splat(1), seen)), steps),
  );
}

// @ts-ignore: decorator
@inline
function packed(screen: usize, red: i32, green: i32, blue: i32): u32 {
  return (
    <u32>load<u8>(screen + <usize>red) |
    (<u32>load<u8>(screen + <usize>green) << 8) |
    (<u32>load<u8>(screen + <usize>blue) << 16) |
    0xff000000
  );
}

/**
 * Paper takes effort from a film. `left` is the effort that is still there, `hard` what a micrometre of this film costs
 * against soft paint. Returns 1 where effort goes on to the film beneath.
 */
export function abrade(left: usize, thickness: usize, cover: usize, count: i32, hard: f32, trace: f32): i32 {
  let goesOn = 0;
  for (let i = 0; i < count; i++) {
    const effort = load<f32>(at(left, i));
    if (effort <= 0) continue;
    const lies = load<f32>(at(thickness, i));
    const part: f32 = cover == 0 ? 1 : <f32>load<u8>(cover + <usize>i) * <f32>(1.0 / 255.0);
    const cost = lies * hard * part;
    if (cost <= effort) {
      store<f32>(at(thickness, i), 0);
      store<f32>(at(left, i), effort - cost);
      goesOn = 1;
    } else {
      const rest = lies * (1 - effort / cost);
      store<f32>(at(thickness, i), rest < trace ? 0 : rest);
      store<f32>(at(left, i), 0);
    }
  }
  return goesOn;
}

/** A wet cloth takes a soluble film where nothing above it held: what is left is the thickness times (1 - mask)². */
export function dissolve(held: usize, mask: usize, thickness: usize, count: i32, trace: f32): void {
  for (let i = 0; i < count; i++) {
    const by = load<f32>(at(mask, i));
    if (by == 0 || load<u8>(held + <usize>i) != 0) continue;
    const rest = load<f32>(at(thickness, i)) * (1 - by) * (1 - by);
    store<f32>(at(thickness, i), rest < trace ? 0 : rest);
  }
}

/** A film that does not dissolve holds everything beneath it, where it is thick enough and covers. */
export function holdBack(held: usize, thickness: usize, cover: usize, count: i32, barrier: f32): void {
  for (let i = 0; i < count; i++)
    if (load<f32>(at(thickness, i)) > barrier && (cover == 0 || load<u8>(cover + <usize>i) >= 128))
      store<u8>(held + <usize>i, 1);
}

/** A mask, 0 to 1, as bytes. */
export function toBytes(mask: usize, bytes: usize, count: i32): void {
  for (let i = 0; i < count; i++)
    store<u8>(bytes + <usize>i, <u8>(clampf(load<f32>(at(mask, i)), 0, 1) * 255 + 0.5));
}

/** Sums of own * other * weight for the four classes on a sample, and of own: sixteen and four float64. */
export function classMoments(
  weight: usize,
  classes: usize,
  count: i32,
  moments: usize,
  whole: usize,
): void {
  for (let i = 0; i < count; i++) {
    const w = load<f32>(at(weight, i));
    for (let one = 0; one < 4; one++) {
      const own = load<f32>(at(classes, i + one * count));
      if (own == 0) continue;
      const sum = whole + ((<usize>one) << 3);
      store<f64>(sum, load<f64>(sum) + <f64>own);
      for (let other = 0; other < 4; other++) {
        const cell = moments + (<usize>(one * 4 + other) << 3);
        store<f64>(cell, load<f64>(cell) + <f64>(own * load<f32>(at(classes, i + other * count)) * w));
      }
    }
  }
}

/**
 * Tells the cells around one of a grid how far it is from them; each keeps the least of all such distances. `around` holds
 * the distances of a square of cells, `2 radius + 1` across, from its middle one.
 */
export function spread(
  distance: usize,
  columns: i32,
  rows: i32,
  around: usize,
  radius: i32,
  column: i32,
  row: i32,
): void {
  const across = 2 * radius + 1;
  const from = max(-radius, -column);
  const count = min(radius, columns - 1 - column) - from + 1;
  const last = min(radius, rows - 1 - row);
  for (let r = max(-radius, -row); r <= last; r++) {
    let own = at(distance, (row + r) * columns + column + from);
    let other = at(around, (r + radius) * across + radius + from);
    let done = 0;
    for (; done <= count - LANES; done += LANES) {
      v128.store(own, f32x4.min(v128.load(own), v128.load(other)));
      own += 16;
      other += 16;
    }
    for (; done < count; done++) {
      store<f32>(own, min(load<f32>(own), load<f32>(other)));
      own += 4;
      other += 4;
    }
  }
}

/**
 * How many half widths each pixel lies from the nearest of a crack's pieces, where that is less than before, and that half width.
 * `points` are x, y, x, y … in millimetres, `widths` the half width of each piece between two of them.
 */
export function nearCrack(
  ratio: usize,
  halfWidth: usize,
  width: i32,
  height: i32,
  millimetres: f32,
  points: usize,
  widths: usize,
  pieces: i32,
): void {
  const lanes = f32x4(0.5, 1.5, 2.5, 3.5);
  const none = f32x4.splat(0);
  const all = f32x4.splat(1);
  for (let piece = 0; piece < pieces; piece++) {
    const ax = load<f32>(at(points, 2 * piece));
    const ay = load<f32>(at(points, 2 * piece + 1));
    const bx = load<f32>(at(points, 2 * piece + 2));
    const by = load<f32>(at(points, 2 * piece + 3));
    const own = load<f32>(at(widths, piece));
    const reach: f32 = <f32>3.2 * own + millimetres;
    const left = max(0, <i32>Mathf.floor((min(ax, bx) - reach) / millimetres));
    const right = min(width - 1, <i32>Mathf.ceil((max(ax, bx) + reach) / millimetres));
    const top = max(0, <i32>Mathf.floor((min(ay, by) - reach) / millimetres));
    const bottom = min(height - 1, <i32>Mathf.ceil((max(ay, by) + reach) / millimetres));
    const dx = bx - ax;
    const dy = by - ay;
    const whole: f32 = dx * dx + dy * dy;
    const share: f32 = whole > 0 ? 1 / whole : 0;
    const vdx = f32x4.splat(dx);
    const vdy = f32x4.splat(dy);
    const perWidth = f32x4.splat(1 / own);
    const halves = f32x4.splat(own);
    for (let row = top; row <= bottom; row++) {
      const py: f32 = (<f32>row + 0.5) * millimetres - ay;
      const vpy = f32x4.splat(py);
      const alongY = f32x4.splat(py * dy);
      for (let column = left; column <= right; column += LANES) {
        // the last four of a row, where fewer are left: done twice, it comes out the same
        const first = column + LANES > width ? max(0, width - LANES) : column;
        const px = f32x4.sub(
          f32x4.mul(f32x4.add(f32x4.splat(<f32>first), lanes), f32x4.splat(millimetres)),
          f32x4.splat(ax),
        );
        const along = f32x4.min(
          all,
          f32x4.max(none, f32x4.mul(f32x4.add(f32x4.mul(px, vdx), alongY), f32x4.splat(share))),
        );
        const offX = f32x4.sub(px, f32x4.mul(along, vdx));
        const offY = f32x4.sub(vpy, f32x4.mul(along, vdy));
        const value = f32x4.mul(f32x4.sqrt(f32x4.add(f32x4.mul(offX, offX), f32x4.mul(offY, offY))), perWidth);
        const there = at(ratio, row * width + first);
        const wide = at(halfWidth, row * width + first);
        const before = v128.load(there);
        const nearer = f32x4.lt(value, before);
        v128.store(there, v128.bitselect(value, before, nearer));
        v128.store(wide, v128.bitselect(halves, v128.load(wide), nearer));
      }
    }
  }
}
