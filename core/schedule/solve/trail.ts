/** Grows as it must; what was written is undone from the end. */
export class Trail {
  private where = new Int32Array(4096);
  private what = new Int32Array(4096);
  length = 0;

  push(where: number, what: number) {
    if (this.length === this.where.length) {
      const where2 = new Int32Array(this.length * 2);
      where2.set(this.where);
      this.where = where2;
      const what2 = new Int32Array(this.length * 2);
      what2.set(this.what);
      this.what = what2;
    }
    this.where[this.length] = where;
    this.what[this.length++] = what;
  }

  back(length: number, values: Int32Array) {
    while (this.length > length) {
      this.length--;
      values[this.where[this.length]!] = this.what[this.length]!;
    }
  }
}
