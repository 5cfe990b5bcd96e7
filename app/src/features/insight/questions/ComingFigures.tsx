import { endOfMonth, format, parseISO } from 'date-fns';
import { View } from 'react-native';
import { counted } from '@/lib/counted';
import { moneyWords } from '@/lib/money';
import { Soft } from '@/ui';
import { useComingQuery } from '../api';
import { Asking } from '../Asking';
import { Figure } from '../Figure';
import { businessAt } from '../lists';
import { Columns } from '../pictures/Columns';

/** What was won, what is likely to come, and what is wanted, month by month. */
export function ComingFigures({ owner }: { owner?: string }) {
  const query = useComingQuery({ day: format(new Date(), 'yyyy-MM-dd'), owner });
  return (
    <Asking query={query} isEmpty={({ months, undated }) => months.length === 0 && undated.number === 0}>
      {({ currency, months, undated, withoutRate }) => {
        const at = (month: string, state: 'open' | 'won') =>
          businessAt({
            state,
            owner,
            from: `${month}-01`,
            to: format(endOfMonth(parseISO(`${month}-01`)), 'yyyy-MM-dd'),
          });
        const now = format(new Date(), 'yyyy-MM');
        return (
          <View className="gap-4">
            <Figure
              title="What is coming?"
              says="Won, and what is open times its chance, against what you want."
              legend={['Won', 'Open, weighted']}
              table={{
                columns: [
                  'Month',
                  'Open',
                  `Value, ${currency}`,
                  `Weighted, ${currency}`,
                  `Won, ${currency}`,
                  `Wanted, ${currency}`,
                ],
                rows: months.map(({ month, number, value, weighted, won, goal }) => [
                  format(parseISO(`${month}-01`), 'MMMM yyyy'),
                  { value: number, href: at(month, 'open') },
                  value,
                  weighted,
                  won > 0 ? { value: won, href: at(month, 'won') } : won,
                  goal,
                ]),
              }}
            >
              <Columns
                label="What is coming, by month"
                series={['won', 'weighted']}
                columns={months.map(({ month, weighted, won, goal }) => ({
                  label: format(parseISO(`${month}-01`), 'MMM'),
                  values: [won, weighted],
                  wanted: goal,
                  href: at(month, month < now ? 'won' : 'open'),
                }))}
                wantedName="wanted"
                say={(value) => moneyWords(value, currency)}
              />
            </Figure>
            {undated.number > 0 ? (
              <Soft className="tabular">{`${counted(undated.number, 'opportunity', 'opportunities')} with no day yet: ${moneyWords(undated.value, currency)}, weighted ${moneyWords(undated.weighted, currency)}.`}</Soft>
            ) : null}
            {withoutRate.length > 0 ? (
              <Soft>{`What is in ${withoutRate.join(', ')} is not in it: whoever is in charge sets a rate under “Leads and business”.`}</Soft>
            ) : null}
          </View>
        );
      }}
    </Asking>
  );
}
