import { REACHED, type Funnel, type NarrowingInput } from '@dossier/contract';
import { View } from 'react-native';
import { SOURCES } from '@/features/people';
import { counted } from '@/lib/counted';
import { useFunnelQuery, type Asked } from '../api';
import { Asking } from '../Asking';
import { Figure } from '../Figure';
import { leadsAt } from '../lists';
import { Bars } from '../pictures/Bars';
import { percent } from '../words';

const WORDS: Readonly<Record<Funnel['steps'][number]['reached'], string>> = {
  filed: 'Filed as a lead',
  written: 'Written to',
  answered: 'Answered',
  qualified: 'Qualified',
  business: 'Business begun',
  won: 'Won',
};

/** How far leads have come, where they stay, and why they end. */
export function LeadFigures({ asked }: { asked: Asked }) {
  return (
    <Asking query={useFunnelQuery(asked)} isEmpty={({ steps }) => (steps[0]?.number ?? 0) === 0}>
      {({ steps, reasons, owners, occasions, sources }) => {
        const all = steps[0]!.number;
        const won = steps.at(-1)!.number;
        const closed = reasons.reduce((sum, { number }) => sum + number, 0);
        const farther = (place: number) => REACHED.slice(place);
        /** How many came at least so far, each number with the list behind it. */
        const cells = (counts: Funnel['owners'][number]['counts'], of: Asked, more: NarrowingInput = {}) =>
          REACHED.map((_, place) => ({
            value: farther(place).reduce((sum, one) => sum + (counts[one] ?? 0), 0),
            href: leadsAt(of, { ...more, reached: farther(place) }),
          }));
        return (
          <View className="gap-8">
            <Figure
              title="How far do leads come?"
              says={`Of ${counted(all, 'lead')} ${won === 0 ? 'none has' : `${won.toLocaleString('en')} (${percent(won, all)} %) ${won === 1 ? 'has' : 'have'}`} been won so far.`}
              legend={['Came so far', 'Are still there, open']}
              table={{
                columns: ['How far', 'Came so far', 'Per cent', 'Still there', 'Closed there'],
                rows: steps.map(({ reached, number, open, closed: ended }, place) => [
                  WORDS[reached],
                  { value: number, href: leadsAt(asked, { reached: farther(place) }) },
                  percent(number, all),
                  { value: open, href: leadsAt(asked, { reached, lead: ['open', 'qualified'] }) },
                  { value: ended, href: leadsAt(asked, { reached, lead: 'closed' }) },
                ]),
              }}
            >
              <Bars
                label="How far leads came"
                series={['came so far', 'are still there']}
                bars={steps.map(({ reached, number, open }, place) => ({
                  label: WORDS[reached],
                  values: [number, open],
                  hrefs: [
                    leadsAt(asked, { reached: farther(place) }),
                    leadsAt(asked, { reached, lead: ['open', 'qualified'] }),
                  ],
                }))}
              />
            </Figure>
            {closed > 0 ? (
              <Figure
                title="Why are leads closed?"
                says={`${counted(closed, 'lead')} ${closed === 1 ? 'was' : 'were'} closed.`}
                table={{
                  columns: ['Why', 'Leads', 'Per cent'],
                  rows: reasons.map(({ reason, number }) => [reason, { value: number, href: leadsAt(asked, { lead: 'closed', reason }) }, percent(number, closed)]), // prettier-ignore
                }}
              >
                <Bars
                  label="Why leads were closed"
                  series={['leads']}
                  bars={reasons.map(({ reason, number }) => ({ label: reason, values: [number], hrefs: [leadsAt(asked, { lead: 'closed', reason })] }))} // prettier-ignore
                />
              </Figure>
            ) : null}
            <Figure
              title="From where do they come farthest?"
              table={{
                columns: ['Occasion', ...REACHED.map((reached) => WORDS[reached])],
                rows: occasions.map(({ occasionId, name, counts }) => [
                  name,
                  // Whoever was met nowhere stands in no list of their own.
                  ...cells(counts, { ...asked, occasion: occasionId ?? undefined }).map((cell) =>
                    occasionId ? cell : cell.value,
                  ),
                ]),
              }}
            />
            <Figure
              title="By which way do they come farthest?"
              table={{
                columns: ['How they came', ...REACHED.map((reached) => WORDS[reached])],
                rows: sources.map(({ source, counts }) => [SOURCES[source], ...cells(counts, asked, { source })]),
              }}
            />
            <Figure
              title="With whom do they come farthest?"
              table={{
                columns: ['Owner', ...REACHED.map((reached) => WORDS[reached])],
                rows: owners.map(({ ownerId, name, counts }) => [
                  name,
                  ...cells(counts, { ...asked, owner: ownerId ?? undefined }),
                ]),
              }}
            />
          </View>
        );
      }}
    </Asking>
  );
}
