export interface Link<Id> {
  a: Id;
  b: Id;
  /** 0–1. */
  likelihood: number;
}

export interface Group<Id, L extends Link<Id>> {
  members: Id[];
  /** The links that hold the group together, the strongest first. */
  links: L[];
}

/** A group that would be larger is left as several: chains of likenesses lead from anybody to anybody. */
const LARGEST = 12;

/**
 * Records that belong together, by their links: the strongest first join two groups into one, as J. B. Kruskal (1956) grows trees.
 * Groups come in the order of their weakest link, the surest first.
 * @param isApart whether a person said that two are not the same: they are in no group together, whatever leads from one to the other
 */
export function groupPairs<Id, L extends Link<Id>>(
  links: readonly L[],
  isApart: (a: Id, b: Id) => boolean = () => false,
): Group<Id, L>[] {
  const groupOf = new Map<Id, Group<Id, L>>();
  const groups = new Set<Group<Id, L>>();
  for (const link of [...links].sort((x, y) => y.likelihood - x.likelihood)) {
    const [one, other] = [link.a, link.b].map((id) => groupOf.get(id) ?? { members: [id], links: [] });
    if (one === other || one!.members.length + other!.members.length > LARGEST) continue;
    if (one!.members.some((a) => other!.members.some((b) => isApart(a, b)))) continue;
    const joined = { members: [...one!.members, ...other!.members], links: [...one!.links, ...other!.links, link] };
    groups.delete(one!);
    groups.delete(other!);
    groups.add(joined);
    for (const id of joined.members) groupOf.set(id, joined);
  }
  return [...groups].sort((x, y) => weakest(y) - weakest(x));
}

const weakest = <Id, L extends Link<Id>>({ links }: Group<Id, L>): number => links[links.length - 1]!.likelihood;
