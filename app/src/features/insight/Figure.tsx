/* eslint-disable jsx-a11y/no-noninteractive-tabindex -- a wide table is scrolled with the arrows */
import { Link } from 'expo-router';
import { useRef, useState, type CSSProperties, type ReactNode } from 'react';
import { View } from 'react-native';
import { Button, Notice, Soft, Subheading, Text } from '@/ui';
import { pngOf, saveFile } from './pngOf';
import { csvOf, hrefOf, shown, valueOf, type Cell, type Table } from './table';

interface Props {
  title: string;
  /** What the picture says, in a sentence. */
  says?: string;
  table: Table;
  /** Without one the table alone is shown. */
  children?: ReactNode;
  /** What each drawing of the picture stands for. */
  legend?: readonly string[];
}

const nameOf = (title: string): string => title.toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, ''); // prettier-ignore

/** One picture with its table behind it, and both as files. */
export function Figure({ title, says, table, children, legend = [] }: Props) {
  const [isTable, setTable] = useState(!children);
  const [trouble, setTrouble] = useState(false);
  const frame = useRef<HTMLDivElement>(null);
  const png = async () => {
    const svg = frame.current?.querySelector('svg');
    if (!svg) return;
    setTrouble(false);
    await pngOf(svg).then((blob) => saveFile(blob, `${nameOf(title)}.png`), () => setTrouble(true)); // prettier-ignore
  };
  return (
    <section aria-label={title} style={{ display: 'flex', flexDirection: 'column', gap: 8, breakInside: 'avoid' }}>
      <Subheading>{title}</Subheading>
      {says ? <Text>{says}</Text> : null}
      {legend.length > 1 && !isTable ? (
        <View className="flex-row flex-wrap gap-x-5">
          {legend.map((name, nth) => (
            <View key={name} className="flex-row items-center gap-2">
              <View className={`h-[12px] w-[22px] border border-ink ${nth === 0 ? 'bg-ink' : 'bg-table'}`} />
              <Soft>{name}</Soft>
            </View>
          ))}
        </View>
      ) : null}
      {isTable ? (
        <TableOf title={title} table={table} />
      ) : (
        <div ref={frame} style={{ width: '100%' }}>
          {children}
        </div>
      )}
      {trouble ? <Notice fault>The picture could not be made. Take the table as CSV instead.</Notice> : null}
      <View className="-ml-4 flex-row flex-wrap print:hidden">
        {children ? (
          <Button look="bare" label={`${isTable ? 'Picture' : 'Table'}: ${title}`} onPress={() => setTable(!isTable)}>
            {isTable ? 'Picture' : 'Table'}
          </Button>
        ) : null}
        <Button
          look="bare"
          label={`CSV: ${title}`}
          onPress={() => saveFile(new Blob([csvOf(table)], { type: 'text/csv;charset=utf-8' }), `${nameOf(title)}.csv`)}
        >
          CSV
        </Button>
        {children && !isTable ? (
          <Button look="bare" label={`PNG: ${title}`} onPress={() => void png()}>
            PNG
          </Button>
        ) : null}
      </View>
    </section>
  );
}

const CELL: CSSProperties = { padding: '9px 14px 9px 0', borderBottom: '1px solid rgb(var(--rule))', verticalAlign: 'top' }; // prettier-ignore

/** The numbers themselves; each opens the list behind it. */
function TableOf({ title, table: { columns, rows } }: { title: string; table: Table }) {
  if (rows.length === 0) return <Soft>Nothing to count yet.</Soft>;
  const isNumber = (place: number) => rows.some((row) => typeof valueOf(row[place] ?? null) === 'number');
  return (
    <div style={{ overflowX: 'auto' }} tabIndex={0} role="group" aria-label={`Table: ${title}`}>
      <table aria-label={title} style={{ borderCollapse: 'collapse', width: '100%' }}>
        <thead>
          <tr>
            {columns.map((name, place) => (
              <th key={name} scope="col" style={{ ...CELL, textAlign: isNumber(place) ? 'right' : 'left' }}>
                <Soft>{name}</Soft>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, nth) => (
            <tr key={nth}>
              {row.map((cell, place) => (
                <td key={columns[place]} style={{ ...CELL, textAlign: isNumber(place) ? 'right' : 'left' }}>
                  <Value cell={cell} />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Value({ cell }: { cell: Cell }) {
  const href = hrefOf(cell);
  const words = (
    <Text className={`tabular ${href ? 'underline decoration-rule underline-offset-4' : ''}`}>{shown(cell)}</Text>
  );
  return href ? <Link href={href}>{words}</Link> : words;
}
