import type { Board } from '@dossier/contract';
import { useDroppable } from '@dnd-kit/core';
import { Link, useRouter, type Href } from 'expo-router';
import type { CSSProperties } from 'react';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { useWide } from '@/lib/useWide';
import { Button, EmptyState, LoadingLines, Notice, Soft, Subheading, Text } from '@/ui';
import { useBoardQuery, type Narrowing } from '../api';
import { Narrow } from '../Narrow';
import { PipelineHead } from '../PipelineHead';
import { usePlace } from '../usePlace';
import { moneyWords, sumWords } from '@/lib/money';
import { BoardCard } from './BoardCard';
import { BoardDrag } from './BoardDrag';
import { useMove } from './useMove';

/** What is open, stage beside stage; on a phone one stage at a time. */
export function BoardScreen() {
  const { place, set, at } = usePlace();
  const { owner = '', occasion = '', tag = '' } = place;
  const narrowing: Narrowing = { owner, occasion, tag };
  const { data: board, error, refetch } = useBoardQuery(narrowing, { refetchOnMountOrArgChange: true });
  const router = useRouter();
  const wide = useWide();
  const may = useMay();
  const { move, problem, forget } = useMove(narrowing);
  const total = board?.columns.reduce((sum, { count }) => sum + count, 0) ?? 0;
  const isNarrowed = Boolean(owner || occasion || tag);
  return (
    <View role="main" className="min-h-0 w-full flex-1">
      <View className="gap-1 px-4 pt-4">
        <PipelineHead at="board">
          {may('edit') ? <Button onPress={() => router.push('/pipeline/opportunities/new' as Href)}>New</Button> : null}
        </PipelineHead>
        <Narrow place={place} set={set} byTag fold={!wide}>
          <Link href={at('/pipeline/list')}>
            <View className="min-h-touch justify-center">
              <Text className="underline underline-offset-4">As a list</Text>
            </View>
          </Link>
        </Narrow>
        {error && !board ? (
          <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
            {problemText(error)}
          </Notice>
        ) : null}
        {problem ? (
          <Notice
            fault
            action={
              <Button look="bare" onPress={forget}>
                Close
              </Button>
            }
          >
            {problem}
          </Notice>
        ) : null}
        {board && total > 0 ? <Together board={board} total={total} /> : null}
      </View>
      {!board ? (
        error ? null : (
          <LoadingLines />
        )
      ) : total === 0 ? (
        isNarrowed ? (
          <EmptyState title="Nothing fits">Take away something that the board is narrowed by.</EmptyState>
        ) : (
          <EmptyState
            title="No business yet"
            action={may('edit') ? <Button look="ink" onPress={() => router.push('/pipeline/opportunities/new' as Href)}>Write one down</Button> : undefined} // prettier-ignore
          >
            Whatever a lead might buy stands here, from the first talk to the last signature.
          </EmptyState>
        )
      ) : (
        <BoardDrag stages={board.columns.map(({ stage }) => stage)} onMove={(one, stageId) => void move(one, stageId)}>
          <Columns board={board} onMove={move} at={at} />
        </BoardDrag>
      )}
    </View>
  );
}

/** All of it in the team's currency. */
function Together({ board: { together }, total }: { board: Board; total: number }) {
  const { sum, without } = together;
  return (
    <Soft role="status" className="tabular">
      {`${counted(total, 'opportunity', 'opportunities')}, ${moneyWords(sum.value, sum.currency)}, weighted ${moneyWords(sum.weighted, sum.currency)}${without.length > 0 ? `, without what is in ${without.join(', ')}: it has no rate yet` : ''}`}
    </Soft>
  );
}

const PHONE: CSSProperties = {
  display: 'flex',
  flex: 1,
  minHeight: 0,
  overflowX: 'auto',
  scrollSnapType: 'x mandatory',
};
const WIDE: CSSProperties = { display: 'flex', flex: 1, minHeight: 0, overflowX: 'auto' };

interface ColumnsProps {
  board: Board;
  onMove: ReturnType<typeof useMove>['move'];
  at: (path: string) => Href;
}

function Columns({ board, onMove, at }: ColumnsProps) {
  const wide = useWide();
  return (
    // Whoever uses the keyboard scrolls it by what is in it.
    <div role="region" aria-label="Stages" style={wide ? WIDE : PHONE}>
      {board.columns.map((column, place) => (
        <Column
          key={column.stage.id}
          column={column}
          stages={board.columns.map(({ stage }) => stage)}
          nth={`${place + 1} of ${board.columns.length}`}
          onMove={onMove}
          at={at}
        />
      ))}
    </div>
  );
}

interface ColumnProps {
  column: Board['columns'][number];
  stages: readonly Board['columns'][number]['stage'][];
  /** Which one it is, on a phone. */
  nth: string;
  onMove: ReturnType<typeof useMove>['move'];
  at: (path: string) => Href;
}

function Column({ column: { stage, count, sums, items }, stages, nth, onMove, at }: ColumnProps) {
  const wide = useWide();
  const { setNodeRef, isOver } = useDroppable({ id: stage.id });
  const frame: CSSProperties = {
    display: 'flex', flexDirection: 'column', minHeight: 0, boxSizing: 'border-box', scrollSnapAlign: 'start', scrollSnapStop: 'always',
    ...(wide ? { flex: '1 0 236px', borderRight: '1px solid rgb(var(--rule))' } : { flex: '0 0 92%' }),
    background: isOver ? 'rgb(var(--table))' : undefined,
  }; // prettier-ignore
  return (
    <section ref={setNodeRef} aria-label={stage.name} style={frame}>
      <View className="border-b border-rule px-4 pb-2 pt-3">
        <View className="flex-row items-baseline justify-between gap-2">
          <Subheading>{stage.name}</Subheading>
          <Soft className="tabular">
            {wide ? count : `${counted(count, 'opportunity', 'opportunities')} · stage ${nth}`}
          </Soft>
        </View>
        <Soft className="tabular">{sumWords(sums, 'value')}</Soft>
        {sums.length > 0 ? <Soft className="tabular">{`weighted ${sumWords(sums, 'weighted')}`}</Soft> : null}
      </View>
      <div role="group" aria-label={`What is in ${stage.name}`} style={{ flex: 1, minHeight: 0, overflowY: 'auto' }}>
        <div role="list" style={{ display: 'flex', flexDirection: 'column', gap: 8, padding: '12px 16px 40px' }}>
          {items.map((one) => (
            <BoardCard key={one.id} one={one} stages={stages} onMove={(stageId) => void onMove(one, stageId)} />
          ))}
        </div>
        {count > items.length ? (
          <Link href={at(`/pipeline/list?stage=${stage.id}`)}>
            <View className="min-h-touch justify-center px-4">
              <Text className="underline underline-offset-4">{`${(count - items.length).toLocaleString('en')} more in the list`}</Text>
            </View>
          </Link>
        ) : null}
        {count === 0 ? <Soft className="px-4">Nothing is here.</Soft> : null}
      </div>
    </section>
  );
}
