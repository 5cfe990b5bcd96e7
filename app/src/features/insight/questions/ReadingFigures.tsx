import { format, parseISO } from 'date-fns';
import type { Href } from 'expo-router';
import { View } from 'react-native';
import { counted } from '@/lib/counted';
import { personFieldLabel } from '@/lib/fieldLabels';
import { useReadingFiguresQuery, type Asked } from '../api';
import { Asking } from '../Asking';
import { Figure } from '../Figure';
import { Bars } from '../pictures/Bars';
import { Columns } from '../pictures/Columns';
import { percent } from '../words';

const firmAt = (id: string) => `/companies/${id}` as Href;

/** How well cards were read, as it turned out when they were filed. */
export function ReadingFigures({ asked }: { asked: Asked }) {
  return (
    <Asking query={useReadingFiguresQuery(asked)} isEmpty={({ cards }) => cards === 0}>
      {({ cards, doubts, untouched, byItself, weeks, fields, firms, known, merged }) => (
        <View className="gap-8">
          <Figure
            title="How many cards need no hand?"
            says={`${percent(untouched, cards)} % of ${counted(cards, 'card')} were filed exactly as they were read, ${byItself.toLocaleString('en')} of them by Dossier itself. ${(doubts / cards).toLocaleString('en', { maximumFractionDigits: 1 })} fields a card were doubtful.`}
            table={{
              columns: ['Week from', 'Cards', 'Filed as read', 'Per cent', 'Doubts a card'],
              rows: weeks.map((week) => [week.week, week.cards, week.untouched, percent(week.untouched, week.cards), Math.round((10 * week.doubts) / week.cards) / 10]), // prettier-ignore
            }}
          >
            <Columns
              label="Per cent filed as read, by week"
              series={['Per cent']}
              columns={weeks.map((week) => ({ label: format(parseISO(week.week), 'd MMM'), values: [percent(week.untouched, week.cards)] }))} // prettier-ignore
              say={(value) => `${value} %`}
            />
          </Figure>
          {fields.length > 0 ? (
            <Figure
              title="Which fields are put right?"
              legend={['Put right', 'Typed, because nothing was read']}
              table={{
                columns: ['Field', 'Put right', 'Typed'],
                rows: fields.map(({ field, corrected, missed }) => [personFieldLabel(field), corrected, missed]),
              }}
            >
              <Bars
                label="Fields put right"
                series={['put right', 'typed']}
                bars={fields.map(({ field, corrected, missed }) => ({ label: personFieldLabel(field), values: [corrected, missed] }))} // prettier-ignore
              />
            </Figure>
          ) : null}
          {firms.length > 0 ? (
            <Figure
              title="Whose cards need a hand?"
              table={{
                columns: ['Firm', 'Cards', 'Fields put right or typed'],
                rows: firms.map((firm) => [
                  { value: firm.name, href: firmAt(firm.companyId) },
                  firm.cards,
                  firm.corrected,
                ]),
              }}
            >
              <Bars
                label="Firms whose cards need a hand"
                series={['fields']}
                bars={firms.map((firm) => ({ label: firm.name, values: [firm.corrected], hrefs: [firmAt(firm.companyId)] }))} // prettier-ignore
              />
            </Figure>
          ) : null}
          <Figure
            title="How many doubles were avoided?"
            says={`${counted(known, 'card')} went to somebody who was known already; ${counted(merged, 'time')} records were brought together.`}
            table={{ columns: ['What', 'Number'], rows: [['Cards of somebody known', known], ['Records brought together', merged]] }} // prettier-ignore
          />
        </View>
      )}
    </Asking>
  );
}
