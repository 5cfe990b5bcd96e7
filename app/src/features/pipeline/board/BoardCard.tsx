import type { ListedOpportunity, StageFields } from '@dossier/contract';
import { useDraggable } from '@dnd-kit/core';
import { Link, type Href } from 'expo-router';
import { View } from 'react-native';
import { formatDay } from '@/lib/formatDate';
import { useWide } from '@/lib/useWide';
import { Highlight, Select, Serif, Soft, Text } from '@/ui';
import { moneyWords } from '@/lib/money';
import { lastedWords } from '../words';

interface Props {
  one: ListedOpportunity;
  stages: readonly StageFields[];
  onMove: (stageId: string) => void;
}

/** One piece of business on the board: dragged by its paper, by its handle with the keyboard, or moved by its list of stages. */
export function BoardCard({ one, stages, onMove }: Props) {
  const { setNodeRef, listeners, attributes, isDragging, setActivatorNodeRef } = useDraggable({ id: one.id, data: { one } }); // prettier-ignore
  const { onKeyDown, ...pointers } = listeners ?? {};
  const wide = useWide();
  return (
    <div
      ref={setNodeRef}
      {...pointers}
      role="listitem"
      onDragStart={(event) => event.preventDefault()}
      style={{ opacity: isDragging ? 0.35 : 1, touchAction: 'manipulation', cursor: 'grab' }}
    >
      <View className="gap-1 rounded-card border border-rule bg-sheet px-3 py-2">
        <CardWords one={one} />
        <View className="flex-row items-center justify-between gap-2">
          <Select
            dense
            label={`Stage of ${one.title}`}
            value={one.stageId}
            onChange={onMove}
            options={stages.map(({ id, name }) => ({ value: id, label: name }))}
          />
          {wide ? (
            <button
              ref={setActivatorNodeRef}
              type="button"
              {...attributes}
              aria-label={`Take ${one.title} along`}
              onKeyDown={onKeyDown as never}
              style={{ font: '400 15px/20px "Instrument Sans", sans-serif', color: 'rgb(var(--soft))', background: 'transparent', border: 0, minHeight: 44, padding: '0 4px', cursor: 'grab' }} // prettier-ignore
            >
              Move
            </button>
          ) : null}
        </View>
      </View>
    </div>
  );
}

/** What is said of it, also while it is on its way. */
export function CardWords({ one }: { one: ListedOpportunity }) {
  const here = Date.now() - new Date(one.stageSince).getTime();
  return (
    <View>
      <Link href={`/pipeline/opportunities/${one.id}` as Href} aria-label={`Open ${one.title}`}>
        <Serif className="text-[18px] leading-[24px] [overflow-wrap:anywhere]">{one.title}</Serif>
      </Link>
      {one.company ? (
        <Text numberOfLines={2} className="text-[15px] leading-[20px]">
          {one.company.name}
        </Text>
      ) : null}
      <Text className="tabular">
        {one.value === null ? 'Worth not known' : `${moneyWords(one.value, one.currency)}, ${one.chance} %`}
      </Text>
      <Soft>
        {one.next
          ? `${one.next.text}${one.next.dueOn ? `, ${formatDay(one.next.dueOn)}` : ''}`
          : one.expectedOn
            ? `Expected ${formatDay(one.expectedOn)}`
            : 'Nothing planned'}
      </Soft>
      {one.isStale ? (
        <View className="items-start">
          <Highlight>{`here for ${lastedWords(here)}`}</Highlight>
        </View>
      ) : null}
    </View>
  );
}
