import type { ListedPerson } from '@dossier/contract';
import { withCell } from '@dossier/core/people/cells';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, Notice, Soft, Subheading, Text } from '@/ui';
import { columnOf, recordOf, type TableWords } from './columns';
import type { CellWrite } from './useCells';

/** Pasted cells with where they go. */
export interface Pasted {
  rows: string[][];
  people: readonly ListedPerson[];
  columns: readonly string[];
}

interface Line extends CellWrite {
  before: string;
  complaint?: string;
}

const SHOWN = 200;

/** What pasting would do to each cell; nothing is written before somebody has seen it. */
function linesOf({ rows, people, columns }: Pasted, words: TableWords) {
  const lines: Line[] = [];
  let homeless = 0;
  let fixed = 0;
  rows.forEach((cells, down) =>
    cells.forEach((text, right) => {
      const person = people[down];
      const column = columns[right];
      if (!person || !column) return homeless++;
      const { cell, text: textOf } = columnOf(column);
      if (!cell) return fixed++;
      const next = withCell(recordOf(person), cell, text, words);
      const before = textOf(person, words);
      if (typeof next !== 'string' && JSON.stringify(next) === JSON.stringify(recordOf(person))) return undefined;
      return lines.push({ person, column: cell, text, before, complaint: typeof next === 'string' ? next : undefined });
    }),
  );
  return { lines, homeless, fixed };
}

export function PastePreview({
  pasted,
  words,
  isWriting,
  error,
  onWrite,
  onClose,
}: {
  pasted: Pasted;
  words: TableWords;
  isWriting: boolean;
  error: unknown;
  onWrite: (writes: readonly CellWrite[]) => void;
  onClose: () => void;
}) {
  const [{ lines, homeless, fixed }] = useState(() => linesOf(pasted, words));
  const good = lines.filter(({ complaint }) => !complaint);
  const cells = (n: number) => (n === 1 ? '1 cell' : `${n.toLocaleString('en')} cells`);
  return (
    <View role="region" aria-label="What pasting would do" className="gap-2 border-b border-rule px-4 py-3">
      <Subheading>{good.length === 0 ? 'Nothing would be different' : `Paste into ${cells(good.length)}`}</Subheading>
      {homeless > 0 ? (
        <Soft>{`${cells(homeless)} have no place: the rows or columns end before. Scroll further down first, or show more columns.`}</Soft>
      ) : null}
      {fixed > 0 ? <Soft>{`${cells(fixed)} fall on columns that cannot be written in.`}</Soft> : null}
      <ScrollView style={{ maxHeight: 240 }}>
        {lines.slice(0, SHOWN).map(({ person, column, before, text, complaint }) => (
          <View key={`${person.id} ${column}`} className="flex-row flex-wrap gap-x-2 border-b border-rule py-1">
            <Text className="font-medium">{person.fullName || 'Unnamed'}</Text>
            <Soft>{columnOf(column).label}</Soft>
            <Text
              style={{ overflowWrap: 'anywhere' } as object}
            >{`${before || 'nothing'} → ${text.trim() || 'nothing'}`}</Text>
            {complaint ? <Text className="text-brick">{complaint}</Text> : null}
          </View>
        ))}
        {lines.length > SHOWN ? <Soft>{`and ${cells(lines.length - SHOWN)} more`}</Soft> : null}
      </ScrollView>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button look="ink" disabled={good.length === 0} busy={isWriting} onPress={() => onWrite(good)}>
          {`Change ${cells(good.length)}`}
        </Button>
        <Button look="bare" onPress={onClose}>
          Close
        </Button>
      </View>
    </View>
  );
}
