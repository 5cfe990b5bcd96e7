import { draftOf, settleField } from '@dossier/core/proof';
import type { FieldName } from '@dossier/core/reading/fields';
import { act, renderHook } from '@testing-library/react';
import { useFieldFocus } from './useFieldFocus';

const proposal = (field: FieldName, confidence: number) => ({
  field,
  value: field,
  sources: [],
  confidence,
  reasons: [],
});
const draft = draftOf([
  proposal('givenName', 0.5),
  proposal('familyName', 1),
  proposal('title', 0.5),
  proposal('email', 1),
]);

/** The fields of a draft with their inputs, and which one was put into focus last. */
function desk(begun = draft) {
  const view = renderHook(({ fields }) => useFieldFocus(fields), { initialProps: { fields: begun.fields } });
  const seen: { last?: string } = {};
  for (const { id } of begun.fields)
    view.result.current.register(id, { focus: () => (seen.last = id) } as unknown as HTMLTextAreaElement);
  return { ...view, seen };
}

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

describe('the focus on the desk', () => {
  it('goes from a settled doubt to the next one, round to the first, and stays where none is left', () => {
    const { result, rerender, seen } = desk();
    const settle = (from: typeof draft, id: string) => {
      const after = settleField(from, id);
      act(() => result.current.goOn(id));
      rerender({ fields: after.fields });
      act(() => jest.runAllTimers());
      return after;
    };
    const one = settle(draft, 'p2');
    expect(seen.last).toBe('p0');
    settle(one, 'p0');
    expect(seen.last).toBe('p0');
  });

  it('comes back to the only doubt, whatever else had it', () => {
    const { result } = desk(settleField(draft, 'p2'));
    expect(result.current.doubtAfter(undefined)).toBe('p0');
    expect(result.current.doubtAfter('p0')).toBe('p0');
    expect(result.current.doubtAfter('p3')).toBe('p0');
    expect(desk(settleField(settleField(draft, 'p2'), 'p0')).result.current.doubtAfter('p0')).toBeUndefined();
  });

  it('goes to the field below, and nowhere from the last', () => {
    const { result, seen } = desk();
    result.current.goToNext('p2');
    expect(seen.last).toBe('p3');
    result.current.goToNext('p3');
    expect(seen.last).toBe('p3');
  });
});
