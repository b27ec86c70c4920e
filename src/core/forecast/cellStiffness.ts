/** Numbers kept of a cell: stiffness matrix (6, upper half), stress wanted (3), strain before (3). */
export const KEPT = 12;
export const WANTED = 6;
export const BEFORE = 9;

/** What is being laid into cells: a small table by cell that is emptied and filled again and again. */
export class CellStiffness {
  count = 0;
  cells = new Int32Array(64);
  kept = new Float64Array(64 * KEPT);
  private readonly slot: Int32Array;

  constructor(cells: number) {
    this.slot = new Int32Array(cells).fill(-1);
  }

  clear(): void {
    for (let c = 0; c < this.count; c++) this.slot[this.cells[c]!] = -1;
    this.count = 0;
  }

  has(cell: number): boolean {
    return this.slot[cell]! >= 0;
  }

  /** Index in `kept` of what is laid in a cell; made with zeros when there is none. */
  of(cell: number): number {
    const c = this.slot[cell]!;
    return (c < 0 ? this.take(cell) : c) * KEPT;
  }

  /** Adds the energy of stretching by other than `wanted`, in the direction (v0, v1, v2) of strain. */
  addTerm(at: number, v0: number, v1: number, v2: number, stiffness: number, wanted: number): void {
    const { kept } = this;
    const m0 = stiffness * v0;
    const m1 = stiffness * v1;
    const m2 = stiffness * v2;
    kept[at]! += m0 * v0;
    kept[(at + 1) | 0]! += m0 * v1;
    kept[(at + 2) | 0]! += m0 * v2;
    kept[(at + 3) | 0]! += m1 * v1;
    kept[(at + 4) | 0]! += m1 * v2;
    kept[(at + 5) | 0]! += m2 * v2;
    kept[(at + 6) | 0]! += m0 * wanted;
    kept[(at + 7) | 0]! += m1 * wanted;
    kept[(at + 8) | 0]! += m2 * wanted;
  }

  private take(cell: number): number {
    if (this.count === this.cells.length) {
      const [cells, kept] = [new Int32Array(2 * this.count), new Float64Array(2 * this.count * KEPT)];
      cells.set(this.cells);
      kept.set(this.kept);
      [this.cells, this.kept] = [cells, kept];
    }
    const c = this.count++;
    this.cells[c] = cell;
    this.slot[cell] = c;
    this.kept.fill(0, c * KEPT, (c + 1) * KEPT);
    return c;
  }
}
