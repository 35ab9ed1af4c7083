/** A level of the topic tree: its branches, and the device whose messages lie under it. */
export interface Branch {
  name: string;
  path: string;
  device: string | null;
  /** Devices in and under it. */
  count: number;
  branches: Branch[];
}

/** The topics of devices as a tree, each level in the order of its names. */
export function treeOf(topics: [device: string, topic: string | null][]): Branch[] {
  const root: Branch = { name: "", path: "", device: null, count: 0, branches: [] };
  for (const [device, topic] of topics) {
    if (!topic) continue;
    let at = root;
    for (const name of topic.split("/")) {
      const path = at.path ? `${at.path}/${name}` : name;
      let next = at.branches.find((b) => b.name === name);
      if (!next) {
        next = { name, path, device: null, count: 0, branches: [] };
        at.branches.push(next);
      }
      next.count++;
      at = next;
    }
    at.device = device;
  }
  const sort = (b: Branch): void => {
    b.branches.sort((x, y) => x.name.localeCompare(y.name, undefined, { numeric: true }));
    b.branches.forEach(sort);
  };
  sort(root);
  return root.branches;
}

/** The branches that hold what is sought, by the words of their path or of the device's name; all of them for no words. */
export function sought(branches: Branch[], words: string, nameOf: (device: string) => string): Branch[] {
  const wanted = words.trim().toLocaleLowerCase().split(/\s+/).filter(Boolean);
  if (!wanted.length) return branches;
  const holds = (b: Branch) =>
    wanted.every((w) => `${b.path} ${b.device ? nameOf(b.device) : ""}`.toLocaleLowerCase().includes(w));
  return branches.flatMap((b) => {
    if (holds(b)) return [b];
    const inner = sought(b.branches, words, nameOf);
    return inner.length ? [{ ...b, branches: inner }] : [];
  });
}
