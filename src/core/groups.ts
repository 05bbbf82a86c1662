/** Finds which of many things hang together: sets that are joined one by one (union-find). What was never joined stands alone. */
export class Groups<K> {
  private readonly parent = new Map<K, K>();

  /** The one that stands for all that hang together with this. */
  find(k: K): K {
    let root = k;
    for (let p = this.parent.get(root); p !== undefined && p !== root; p = this.parent.get(root)) root = p;
    if (root !== k) this.parent.set(k, root);
    return root;
  }

  join(a: K, b: K): void {
    this.parent.set(this.find(a), this.find(b));
  }
}
