import type { Board, ListedOpportunity } from '@dossier/contract';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { problemText } from '@/lib/api';
import { pipelineApi, useMoveOpportunityMutation, type Narrowing } from '../api';

/** One of a board in another stage, at once: sums follow when the server has said so. */
function movedOn(board: Board, id: string, stageId: string): void {
  const from = board.columns.find(({ items }) => items.some((item) => item.id === id));
  const to = board.columns.find(({ stage }) => stage.id === stageId);
  if (!from || !to || from === to) return;
  const [item] = from.items.splice(
    from.items.findIndex((one) => one.id === id),
    1,
  );
  from.count--;
  to.count++;
  to.items.unshift({ ...item!, stageId, isStale: false });
}

/** Moves something to another stage; where somebody else was faster it goes back, and one is told. */
export function useMove(narrowing: Narrowing) {
  const dispatch = useDispatch();
  const [send] = useMoveOpportunityMutation();
  const [problem, setProblem] = useState<string>();
  const move = async (
    { id, version, stageId: from }: Pick<ListedOpportunity, 'id' | 'version' | 'stageId'>,
    stageId: string,
  ) => {
    if (from === stageId) return;
    setProblem(undefined);
    const shown = dispatch(
      pipelineApi.util.updateQueryData('board', narrowing, (board) => movedOn(board, id, stageId)) as never,
    ) as unknown as { undo: () => void };
    const answer = await send({ id, version, stageId });
    if (!answer.error) return;
    shown.undo();
    setProblem(problemText(answer.error));
    // As it is by now.
    dispatch(pipelineApi.util.invalidateTags(['Opportunity']));
  };
  return { move, problem, forget: () => setProblem(undefined) };
}
