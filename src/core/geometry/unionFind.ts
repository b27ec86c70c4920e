/** Numbers 0 to n - 1 in sets that grow together (Galler and Fischer, with path halving). */
export class UnionFind {
  private readonly parent: Int32Array;

  constructor(n: number) {
    this.parent = Int32Array.from({ length: n }, (_, i) => i);
  }

  /** The number that stands for the set of `i`. */
  root(i: number): number {
    const { parent } = this;
    let at = i;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at]!]!;
      at = parent[at]!;
    }
    return at;
  }

  /** Joins two sets; the root of `b` stands for both. @returns whether they were apart */
  join(a: number, b: number): boolean {
    const [p, q] = [this.root(a), this.root(b)];
    if (p === q) return false;
    this.parent[p] = q;
    return true;
  }
}
