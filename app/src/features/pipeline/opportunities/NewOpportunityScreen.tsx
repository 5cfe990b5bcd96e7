import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { useCompanyQuery } from '@/features/companies';
import { usePersonQuery } from '@/features/people';
import { CannotShow, Heading, LoadingLines, Page } from '@/ui';
import { useMakeOpportunityMutation, usePipelineSettingsQuery } from '../api';
import { OpportunityForm } from './OpportunityForm';

/** A piece of business is written down; for somebody or a firm, where it was begun there. */
export function NewOpportunityScreen() {
  const router = useRouter();
  const { company: companyId = '', person: personId = '' } = useLocalSearchParams<{
    company?: string;
    person?: string;
  }>();
  const { data: settings, error, refetch } = usePipelineSettingsQuery();
  const company = useCompanyQuery(companyId, { skip: !companyId });
  const person = usePersonQuery(personId, { skip: !personId });
  // Sent twice it is one.
  const [id] = useState(() => uuidv7());
  const [make, making] = useMakeOpportunityMutation();
  if (error && !settings) return <CannotShow title="This cannot be shown" error={error} onRetry={refetch} />;
  if (!settings || company.isLoading || person.isLoading) return <LoadingLines lines={4} />;
  return (
    <Page>
      <View className="gap-4">
        <Heading>An opportunity</Heading>
        <OpportunityForm
          settings={settings}
          begin={{
            firm: company.data ? { id: company.data.id, name: company.data.name } : null,
            people: person.data ? [{ personId, fullName: person.data.fullName, part: 'decides' }] : [],
          }}
          busy={making.isLoading}
          error={making.error}
          onSave={(fields, stageId) =>
            void make({ ...fields, id, stageId }).then((answer) => {
              if (answer.data) router.replace(`/pipeline/opportunities/${answer.data.id}` as Href);
            })
          }
          onLeave={() => (router.canGoBack() ? router.back() : router.replace('/pipeline'))}
        />
      </View>
    </Page>
  );
}
