import type { Company, Person } from '@dossier/contract';
import { Link, type Href } from 'expo-router';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { problemText } from '@/lib/api';
import { Button, Notice, Soft, Subheading, Text } from '@/ui';
import { useOpportunitiesInfiniteQuery, usePipelineSettingsQuery, type Narrowing } from '../api';
import { OpportunityRow } from './OpportunityRow';

/** Business that somebody has to do with; nothing where there is none and nobody may begin any. */
export const PersonOpportunities = ({ person }: { person: Person }) =>
  person.deletedAt ? null : (
    <>
      {person.kind === 'lead' ? (
        <Link href={`/pipeline/leads/${person.id}` as Href}>
          <View className="min-h-touch justify-center">
            <Text className="underline underline-offset-4">Work on this lead</Text>
          </View>
        </Link>
      ) : null}
      <Of
        narrowing={{ personId: person.id }}
        begin={`person=${person.id}${person.companyId ? `&company=${person.companyId}` : ''}`}
      />
    </>
  );

/** Business with a firm. */
export const CompanyOpportunities = ({ company }: { company: Company }) => (
  <Of narrowing={{ companyId: company.id }} begin={`company=${company.id}`} withoutFirm />
);

function Of({ narrowing, begin, withoutFirm }: { narrowing: Narrowing; begin: string; withoutFirm?: boolean }) {
  const may = useMay();
  const { data, error, refetch } = useOpportunitiesInfiniteQuery(narrowing);
  const { data: settings } = usePipelineSettingsQuery();
  const items = data?.pages.flatMap((page) => page.items) ?? [];
  const rest = (data?.pages[0]?.total ?? 0) - items.length;
  return (
    <View className="gap-1">
      <Subheading>Business</Subheading>
      {error && !data ? (
        <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
          {problemText(error)}
        </Notice>
      ) : null}
      <View role="list" aria-label="Business" className={items.length > 0 ? 'border-t border-rule' : ''}>
        {items.map((one) => (
          <View key={one.id} role="listitem">
            <OpportunityRow
              one={one}
              stage={settings?.stages.find(({ id }) => id === one.stageId)?.name ?? ''}
              withoutFirm={withoutFirm}
            />
          </View>
        ))}
      </View>
      {rest > 0 ? <Soft>{`and ${rest.toLocaleString('en')} more`}</Soft> : null}
      {may('edit') ? (
        <Link href={`/pipeline/opportunities/new?${begin}` as Href}>
          <View className="min-h-touch justify-center">
            <Text className="underline underline-offset-4">Write down an opportunity</Text>
          </View>
        </Link>
      ) : null}
    </View>
  );
}
