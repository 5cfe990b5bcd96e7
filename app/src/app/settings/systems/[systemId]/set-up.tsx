import { useLocalSearchParams } from 'expo-router';
import { ChangeSystemScreen } from '@/features/exchange';

export default function SystemSetUp() {
  const { systemId } = useLocalSearchParams<{ systemId: string }>();
  return <ChangeSystemScreen key={systemId} systemId={systemId} />;
}
