import { useLocalSearchParams } from 'expo-router';
import { OpportunityScreen } from '@/features/pipeline';

export default function Opportunity() {
  const { opportunityId } = useLocalSearchParams<{ opportunityId: string }>();
  return <OpportunityScreen key={opportunityId} opportunityId={opportunityId} />;
}
