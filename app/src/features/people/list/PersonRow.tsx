import type { FoundText, ListedPerson } from '@dossier/contract';
import { Link, type Href } from 'expo-router';
import { memo } from 'react';
import { View } from 'react-native';
import { personFieldLabel } from '@/lib/fieldLabels';
import { formatDay, formatWhenShort } from '@/lib/formatDate';
import { CardImage, cardPicture, ChooseRow, HoldToChoose, Serif, Soft } from '@/ui';
import { Marked } from './Marked';

interface Props {
  person: ListedPerson;
  to: Href;
  /** Whether it is the one whose dossier is shown. */
  shown: boolean;
  /** Undefined while rows open instead of being chosen. */
  chosen: boolean | undefined;
  /** @param run everything since the row chosen before as well; undefined where nothing can be chosen */
  onChoose: ((id: string, run: boolean) => void) | undefined;
  /** What the list is ordered by is told in the row. */
  order: string;
}

/** A person in the list, opened by a touch; held, or with shift, or while rows are being chosen, it is chosen instead. */
export const PersonRow = memo(function PersonRow({ person, to, shown, chosen, onChoose, order }: Props) {
  if (chosen !== undefined && onChoose)
    return (
      <ChooseRow
        label={[person.fullName || 'Unnamed', person.company].filter(Boolean).join(', ')}
        chosen={chosen}
        onChoose={(run) => onChoose(person.id, run)}
      >
        <View className="w-full py-3 pl-[13px] pr-4">
          <RowBody person={person} order={order} />
        </View>
      </ChooseRow>
    );
  const row = (
    <Link href={to} aria-current={shown ? 'page' : undefined}>
      <View className={`w-full border-b border-rule px-4 py-3 hover:bg-table ${shown ? 'bg-sheet' : ''}`}>
        <RowBody person={person} order={order} />
      </View>
    </Link>
  );
  return onChoose ? <HoldToChoose onChoose={(run) => onChoose(person.id, run)}>{row}</HoldToChoose> : row;
});

/** What was looked for is underlined, wherever it stands. */
function RowBody({ person, order }: Pick<Props, 'person' | 'order'>) {
  const rangesIn = (field: string) => person.found.find((found) => found.field === field)?.ranges ?? [];
  const elsewhere = person.found.filter(({ field }) => !SHOWN.has(field));
  const job = [person.title, person.company].filter(Boolean).join(', ');
  const shift = person.title ? person.title.length + 2 : 0;
  const inJob = [...rangesIn('title'), ...rangesIn('company').map(([from, to]) => [from + shift, to + shift] as const)];
  const told = toldByOrder(person, order);
  return (
    <View className="w-full flex-row items-center gap-4">
      {person.cardId ? (
        <CardImage src={cardPicture(person.cardId, 'thumbnail')} alt="" width={76} />
      ) : (
        <View className="h-[45px] w-[76px] rounded-card border border-rule" />
      )}
      <View className="min-w-0 flex-1">
        <Marked
          as={Serif}
          lines={2}
          className="text-[19px] leading-[24px]"
          text={person.fullName || 'Unnamed'}
          ranges={rangesIn('fullName')}
        />
        {job ? <Marked as={Soft} lines={2} text={job} ranges={inJob} /> : null}
        {told ? <Soft className="tabular">{told}</Soft> : null}
        {elsewhere.map((found) => (
          <Elsewhere key={found.field} found={found} />
        ))}
      </View>
      {person.kind === 'lead' ? <Soft>lead</Soft> : null}
    </View>
  );
}

const SHOWN = new Set(['fullName', 'title', 'company']);
const NAMES: Readonly<Record<string, string>> = { note: 'Note', tags: 'Tag', occasion: 'Occasion' };

const Elsewhere = ({ found: { field, text, ranges } }: { found: FoundText }) => (
  <View className="flex-row gap-2">
    <Soft className="shrink-0">{`${NAMES[field] ?? personFieldLabel(field)}:`}</Soft>
    <View className="min-w-0 flex-1">
      {/* A number is written as it was found: set in groups it would be marked wrongly. */}
      <Marked as={Soft} lines={2} text={text} ranges={ranges} />
    </View>
  </View>
);

function toldByOrder(person: ListedPerson, order: string): string {
  if (order.endsWith('filed')) return `Filed ${formatWhenShort(person.filedAt)}`;
  if (order.endsWith('touched')) return `Touched ${formatWhenShort(person.touchedAt)}`;
  if (order.endsWith('next')) return person.nextOn ? `Next step ${formatDay(person.nextOn)}` : 'No next step';
  return '';
}
