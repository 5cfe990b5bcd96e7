import type { Speed } from '@dossier/contract';
import { format, parseISO } from 'date-fns';
import { View } from 'react-native';
import { useSpeedQuery, type Asked } from '../api';
import { Asking } from '../Asking';
import { Figure } from '../Figure';
import { Columns } from '../pictures/Columns';
import { Spreads } from '../pictures/Spreads';
import { inDays, spreadWords } from '../words';

const STEPS = [
  ['filed', 'To filed'],
  ['written', 'To the first message'],
  ['answered', 'To their answer'],
  ['qualified', 'To qualified'],
] as const;

const days = (spread: Speed['all']['filed'], of: 'low' | 'middle' | 'high' = 'middle') =>
  spread ? inDays(spread[of]) : null;

/** How long it took from the card on: what is usual, and how much it differs. */
export function SpeedFigures({ asked }: { asked: Asked }) {
  return (
    <Asking query={useSpeedQuery(asked)} isEmpty={({ all }) => all.people === 0}>
      {({ all, weeks, owners }) => (
        <View className="gap-8">
          <Figure
            title="From the card, how long does it take?"
            says={`To the first message: ${spreadWords(all.written)}.`}
            table={{
              columns: ['From the card', 'People', 'Middle, days', 'Quarter, days', 'Three quarters, days'],
              rows: STEPS.map(([step, name]) => [name, all[step]?.number ?? 0, days(all[step]), days(all[step], 'low'), days(all[step], 'high')]), // prettier-ignore
            }}
          >
            <Spreads
              label="Times from the card"
              rows={STEPS.map(([step, name]) => ({ label: name, spread: all[step] }))}
            />
          </Figure>
          <Figure
            title="Are we getting faster?"
            says="Days to the first message, in the middle, by the week in which people were filed."
            table={{
              columns: ['Week from', 'People', ...STEPS.map(([, name]) => `${name}, days`)],
              rows: weeks.map((week) => [week.week, week.people, ...STEPS.map(([step]) => days(week[step]))]),
            }}
          >
            <Columns
              label="Days to the first message by week"
              series={['Days']}
              columns={weeks.map((week) => ({ label: format(parseISO(week.week), 'd MMM'), values: [days(week.written) ?? 0] }))} // prettier-ignore
              say={(value) => `${value.toLocaleString('en')} days`}
            />
          </Figure>
          <Figure
            title="Who writes how soon?"
            table={{
              columns: ['Owner', 'People', ...STEPS.map(([, name]) => `${name}, days`)],
              rows: owners.map((owner) => [owner.name, owner.people, ...STEPS.map(([step]) => days(owner[step]))]),
            }}
          >
            <Spreads
              label="To the first message, by owner"
              rows={owners.map(({ name, written }) => ({ label: name, spread: written }))}
            />
          </Figure>
        </View>
      )}
    </Asking>
  );
}
