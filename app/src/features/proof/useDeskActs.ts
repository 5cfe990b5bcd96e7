import { isDoubtful, putFirst, swapPartners, type DraftField } from '@dossier/core/proof';
import { otherCase, partsToMove } from '@dossier/core/proof/wording';
import type { Reading } from '@dossier/core/reading/fields';
import { useDispatch } from 'react-redux';
import type { DeskAct } from './deskKeys';
import { offersOf } from './offers';
import { proofActions, type CardDraft } from './slice';
import type { Run } from './useRun';

/** What can be open on the desk beside the fields. */
export type DeskPanel = 'add' | 'saw' | 'palette' | 'secondLook';

interface Desk {
  cardId: string;
  cardDraft: CardDraft;
  /** The country that the card is of. */
  country: string | null;
  focused: DraftField | undefined;
  /** What was read on the side of the field in focus. */
  reading: Reading;
  doubtful: readonly DraftField[];
  /** Lines that no field claims. */
  loose: readonly number[];
  run: Pick<Run, 'next' | 'previous'>;
  onNextDoubt: () => void;
  onSettled: (id: string) => void;
  onGo: (cardId: string | undefined) => void;
  onLoose: (line: number | undefined) => void;
  onGive: (id: string) => void;
  onPick: (() => void) | undefined;
  onFile: (() => void) | undefined;
  onDetails: (() => void) | undefined;
  onSetAside: () => void;
  onOpen: (what: DeskPanel) => void;
}

export type DeskActs = Readonly<Partial<Record<DeskAct, () => void>>>;

/** Everything that can be done on the desk at the moment: keys, palette and buttons all do the same. */
export function useDeskActs({
  cardId,
  cardDraft,
  country,
  focused,
  reading,
  doubtful,
  loose,
  run,
  onNextDoubt,
  onSettled,
  onGo,
  onLoose,
  onGive,
  onPick,
  onFile,
  onDetails,
  onSetAside,
  onOpen,
}: Desk): DeskActs {
  const dispatch = useDispatch();
  const { draft } = cardDraft;
  const offers = focused ? offersOf(focused, reading) : [];
  const edit = (value: string | undefined) =>
    focused && value !== undefined && dispatch(proofActions.fieldEdited({ cardId, id: focused.id, value }));
  const take = (value: string) => {
    edit(value);
    if (focused && isDoubtful(focused)) onSettled(focused.id);
  };
  const id = focused?.id ?? '';
  return {
    file: onFile,
    nextDoubt: doubtful.length > 0 ? onNextDoubt : undefined,
    settle:
      focused && isDoubtful(focused)
        ? () => {
            dispatch(proofActions.fieldSettled({ cardId, id }));
            onSettled(id);
          }
        : undefined,
    alternative1: offers[0] && (() => take(offers[0]!.value)),
    alternative2: offers[1] && (() => take(offers[1]!.value)),
    alternative3: offers[2] && (() => take(offers[2]!.value)),
    otherCase: focused && (() => void edit(otherCase(focused, country ?? undefined))),
    movePart:
      focused && partsToMove(focused)[0]
        ? () => void dispatch(proofActions.partMoved({ cardId, id, ...partsToMove(focused)[0]! }))
        : undefined,
    swap:
      focused && swapPartners(draft, focused)[0]
        ? () => void dispatch(proofActions.fieldsSwapped({ cardId, id, other: swapPartners(draft, focused)[0]!.id }))
        : undefined,
    putFirst:
      focused && putFirst(draft, id) !== draft
        ? () => void dispatch(proofActions.fieldPutFirst({ cardId, id }))
        : undefined,
    give: focused?.value && !focused.leftOut ? () => onGive(id) : undefined,
    leaveOut: focused && (() => void dispatch(proofActions.fieldLeftOut({ cardId, id, leftOut: !focused.leftOut }))),
    delete: focused && (() => void dispatch(proofActions.fieldDeleted({ cardId, id }))),
    add: () => onOpen('add'),
    loose: loose[0] !== undefined ? () => onLoose(loose[0]) : undefined,
    pick: onPick,
    undo: cardDraft.past.length > 0 ? () => void dispatch(proofActions.undone({ cardId })) : undefined,
    redo: cardDraft.future.length > 0 ? () => void dispatch(proofActions.redone({ cardId })) : undefined,
    next: run.next ? () => onGo(run.next) : undefined,
    previous: run.previous ? () => onGo(run.previous) : undefined,
    setAside: onSetAside,
    secondLook: () => onOpen('secondLook'),
    details: onDetails,
    saw: () => onOpen('saw'),
    palette: () => onOpen('palette'),
  };
}
