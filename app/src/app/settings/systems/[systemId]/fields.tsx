import { useLocalSearchParams } from 'expo-router';
import { MappingScreen } from '@/features/exchange';

export default function SystemFields() {
  const { systemId } = useLocalSearchParams<{ systemId: string }>();
  return <MappingScreen key={systemId} systemId={systemId} />;
}
