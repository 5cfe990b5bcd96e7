import type { OccasionReport } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { API, problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { formatDay } from '@/lib/formatDate';
import { amountOf, moneyWords, sumWords } from '@/lib/money';
import { Button, EmptyState, LoadingLines, Notice, Select, Soft, Subheading, Text, TextField } from '@/ui';
import { useOccasionReportQuery, useSetCostMutation } from '../api';
import { Figure } from '../Figure';
import { businessAt, leadsAt, peopleAt } from '../lists';
import { Bars } from '../pictures/Bars';
import { Columns } from '../pictures/Columns';
import type { Cell } from '../table';

interface Props {
  occasions: readonly { id: string; name: string }[];
  first: string;
  second: string;
  set: (change: { occasion?: string; beside?: string }) => void;
}

/** What an occasion brought, perhaps beside another one. */
export function OccasionFigures({ occasions, first, second, set }: Props) {
  const one = useOccasionReportQuery(first, { skip: !first });
  const other = useOccasionReportQuery(second, { skip: !second });
  const names = occasions.map(({ id, name }) => ({ value: id, label: name }));
  if (occasions.length === 0)
    return <EmptyState title="No occasion yet">Set one when you photograph cards: then you see here what it brought.</EmptyState>; // prettier-ignore
  const error = one.error ?? other.error;
  return (
    <View className="gap-6">
      <View className="flex-row flex-wrap items-center gap-x-5 print:hidden">
        <Select label="Occasion" value={first} onChange={(occasion) => set({ occasion })} options={names} />
        <Select
          label="Beside"
          value={second}
          onChange={(beside) => set({ beside })}
          options={[{ value: '', label: 'No other beside it' }, ...names.filter(({ value }) => value !== first)]}
        />
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {one.isLoading || (second && other.isLoading) ? <LoadingLines lines={3} /> : null}
      {one.data ? <Report one={one.data} other={second ? other.data : undefined} /> : null}
    </View>
  );
}

const STEPS = [
  { name: 'Cards', of: (report: OccasionReport) => report.cards, at: () => undefined },
  { name: 'People filed', of: (report: OccasionReport) => report.people, at: ({ id }: OccasionReport) => peopleAt({ occasion: id }) }, // prettier-ignore
  { name: 'Leads', of: (report: OccasionReport) => report.leads, at: ({ id }: OccasionReport) => leadsAt({ occasion: id }) }, // prettier-ignore
  { name: 'Qualified', of: (report: OccasionReport) => report.qualified, at: ({ id }: OccasionReport) => peopleAt({ occasion: id, lead: 'qualified' }) }, // prettier-ignore
  { name: 'Won', of: (report: OccasionReport) => report.won.number, at: ({ id }: OccasionReport) => businessAt({ occasion: id, state: 'won' }) }, // prettier-ignore
] as const;

const cell = (value: number, href: ReturnType<(typeof STEPS)[number]['at']>): Cell => (href ? { value, href } : value);

function Report({ one, other }: { one: OccasionReport; other?: OccasionReport }) {
  const both = other ? [one, other] : [one];
  const series = both.map(({ name }) => name);
  return (
    <View className="gap-8">
      {both.map((report) => (
        <Worth key={report.id} report={report} />
      ))}
      <Figure
        title="What did it bring?"
        legend={series}
        table={{
          columns: ['What', ...series],
          rows: STEPS.map(({ name, of, at }) => [name, ...both.map((report) => cell(of(report), at(report)))]),
        }}
      >
        <Bars
          label="What it brought"
          series={series}
          bars={STEPS.map(({ name, of, at }) => ({ label: name, values: both.map(of), hrefs: both.map(at) }))}
        />
      </Figure>
      {both.map((report) => (
        <Hours key={report.id} report={report} />
      ))}
      {both.map((report) => (
        <Figure
          key={report.id}
          title={`Who photographed, ${report.name}?`}
          table={{
            columns: ['Who', 'Cards', 'People', 'Leads', 'Qualified'],
            rows: report.byPerson.map((who) => [who.name, who.cards, who.people, who.leads, who.qualified]),
          }}
        />
      ))}
    </View>
  );
}

/** What it was worth, and what it cost. */
function Worth({ report }: { report: OccasionReport }) {
  const when = [report.startsOn, report.endsOn === report.startsOn ? null : report.endsOn].filter((day) => day !== null).map(formatDay).join(' to '); // prettier-ignore
  return (
    <View className="gap-1">
      <Subheading>{report.name}</Subheading>
      <Soft>{[report.place, when].filter(Boolean).join(' · ')}</Soft>
      <Text className="tabular">{`Won ${report.won.number > 0 ? sumWords(report.won.sums, 'value') : 'nothing yet'}. Open ${counted(report.open.number, 'opportunity', 'opportunities')}${report.open.number > 0 ? `, weighted ${sumWords(report.open.sums, 'weighted')}` : ''}. Lost ${report.lost.number}.`}</Text>
      {report.cost === null ? null : (
        <Text className="tabular">{`Cost ${moneyWords(report.cost, report.currency)}${report.costPerLead === null ? '' : `, ${moneyWords(report.costPerLead, report.currency)} for each lead`}.`}</Text>
      )}
      {report.withoutRate.length > 0 ? (
        <Soft>{`There is no rate yet for ${report.withoutRate.join(', ')}.`}</Soft>
      ) : null}
      <View className="-ml-4 flex-row flex-wrap print:hidden">
        <Cost report={report} />
        <Button look="bare" label={`Print the report of ${report.name}`} onPress={() => window.print()}>
          Print
        </Button>
        <a
          href={`${API}/insight/occasions/${report.id}/report`}
          download
          style={{ color: 'rgb(var(--ink))', padding: '11px 16px', textUnderlineOffset: 4, fontWeight: 500 }}
        >
          <Text className="font-medium underline underline-offset-4">As PDF</Text>
        </a>
      </View>
    </View>
  );
}

function Cost({ report }: { report: OccasionReport }) {
  const may = useMay();
  const [written, setWritten] = useState<string>();
  const [set, { isLoading, error }] = useSetCostMutation();
  if (!may('settle')) return null;
  if (written === undefined)
    return (
      <Button
        look="bare"
        label={`What ${report.name} cost`}
        onPress={() => setWritten(report.cost === null ? '' : String(report.cost))}
      >
        {report.cost === null ? 'Say what it cost' : 'Change the cost'}
      </Button>
    );
  const amount = written.trim() ? amountOf(written) : null;
  const save = async () => {
    if (amount === undefined) return;
    const answer = await set({ id: report.id, cost: amount });
    if (!answer.error) setWritten(undefined);
  };
  return (
    <View className="w-full flex-row flex-wrap items-end gap-2 pl-4">
      <View className="w-[170px]">
        <TextField
          label={`Cost in ${report.currency}`}
          value={written}
          onChangeText={setWritten}
          complaint={amount === undefined ? 'Write an amount.' : undefined}
          inputMode="decimal"
          autoFocus
        />
      </View>
      <Button look="ink" busy={isLoading} onPress={() => void save()}>
        Save
      </Button>
      <Button look="bare" onPress={() => setWritten(undefined)}>
        Leave it
      </Button>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}

/** Cards by the hour, of the days on which there were any. */
function Hours({ report }: { report: OccasionReport }) {
  const { hours } = report;
  if (hours.length === 0) return null;
  const days = new Set(hours.map(({ day }) => day)).size;
  const label = ({ day, hour }: (typeof hours)[number]) => `${days > 1 ? `${Number(day.slice(8))}/${Number(day.slice(5, 7))} ` : ''}${hour}:00`; // prettier-ignore
  return (
    <Figure
      title={`When were the cards taken, ${report.name}?`}
      table={{
        columns: ['Day', 'Hour', 'Cards'],
        rows: hours.map(({ day, hour, cards }) => [day, `${hour}:00`, cards]),
      }}
    >
      <Columns
        label="Cards by the hour"
        series={['Cards']}
        columns={hours.map((one) => ({ label: label(one), values: [one.cards] }))}
      />
    </Figure>
  );
}
