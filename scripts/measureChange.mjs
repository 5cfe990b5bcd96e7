const PAUSE_MS = 50;

/**
 * How long a change of many takes, and how soon others are answered meanwhile; it is taken back in the end.
 * @param call asks the server, which has a worker @param list who is meant, as in the address of a list
 */
export async function measureChange(call, list) {
  const body = { who: { list }, what: { addTags: ['bench'], note: 'Seen on the quay.' } };
  const before = performance.now();
  const preview = await call('POST', '/people/changes', { ...body, preview: true });
  const previewMs = Math.round(performance.now() - before);
  const change = await untilOver(call, () => call('POST', '/people/changes', body));
  const undo = await untilOver(call, () => call('POST', `/people/changes/${change.id}/undo`));
  const told = ({ seconds, beside }) => ({ seconds, beside });
  return { people: preview.changed, previewMs, change: told(change), undo: told(undo) };
}

async function untilOver(call, begin) {
  const began = performance.now();
  let { id, state } = await begin();
  const asked = { search: '/people?q=martin', order: '/people?sort=-touched' };
  const ms = { search: [], order: [] };
  while (!['done', 'undone', 'stopped'].includes(state)) {
    for (const [name, path] of Object.entries(asked)) {
      const at = performance.now();
      await call('GET', path);
      ms[name].push(performance.now() - at);
    }
    ({ state } = await call('GET', `/people/changes/${id}`));
    await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
  }
  const told = (list) => {
    list.sort((a, b) => a - b);
    const at = (share) => Math.round(list[Math.floor(share * (list.length - 1))]);
    return `${at(0.5)} / ${at(0.95)}`;
  };
  const beside = { search: told(ms.search), order: told(ms.order) };
  return { id, seconds: Math.round((performance.now() - began) / 100) / 10, beside };
}
