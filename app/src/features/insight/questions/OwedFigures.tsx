import { format } from 'date-fns';
import type { Href } from 'expo-router';
import { View } from 'react-native';
import { formatDay } from '@/lib/formatDate';
import { useOwedQuery } from '../api';
import { Asking } from '../Asking';
import { Figure } from '../Figure';
import { peopleAt } from '../lists';
import { Bars } from '../pictures/Bars';

/** Who was never written to, whose answer waits, what is late. */
export function OwedFigures() {
  return (
    <Asking query={useOwedQuery(format(new Date(), 'yyyy-MM-dd'))} isEmpty={() => false}>
      {({ owners: [team, ...owners], late }) => {
        const at = (ownerId: string | null) => peopleAt({ written: 'no', email: 'yes', owner: ownerId ?? undefined });
        const rows = [...(team ? [team] : []), ...owners];
        return (
          <View className="gap-8">
            <Figure
              title="Who was never written to?"
              says={`${(team?.neverWritten ?? 0).toLocaleString('en')} people with an e-mail address have never had a word from you.`}
              table={{
                columns: ['Owner', 'Never written to', 'Answers nobody read', 'Tasks late'],
                rows: rows.map((row) => [
                  row.name,
                  { value: row.neverWritten, href: at(row.ownerId) },
                  row.unread,
                  row.late,
                ]),
              }}
            >
              <Bars
                label="Never written to, by owner"
                series={['people']}
                bars={(owners.length > 0 ? owners : rows).map((row) => ({ label: row.name, values: [row.neverWritten], hrefs: [at(row.ownerId)] }))} // prettier-ignore
              />
            </Figure>
            <Figure
              title="What is late?"
              says={late.length === 0 ? 'Nothing is late.' : undefined}
              table={{
                columns: ['What', 'Since', 'Whose', 'About'],
                rows: late.map((task) => [
                  task.text,
                  formatDay(task.dueOn),
                  task.owner,
                  task.opportunity
                    ? { value: task.opportunity.title, href: `/pipeline/opportunities/${task.opportunity.id}` as Href }
                    : task.person
                      ? { value: task.person.fullName || 'Unnamed', href: `/people/${task.person.id}` as Href }
                      : null,
                ]),
              }}
            />
          </View>
        );
      }}
    </Asking>
  );
}
