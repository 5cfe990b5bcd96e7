import { useLocalSearchParams } from 'expo-router';
import { LeadScreen } from '@/features/pipeline';

export default function Lead() {
  const { personId } = useLocalSearchParams<{ personId: string }>();
  return <LeadScreen key={personId} personId={personId} />;
}
