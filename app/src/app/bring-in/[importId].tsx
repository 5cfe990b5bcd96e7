import { useLocalSearchParams } from 'expo-router';
import { ImportScreen } from '@/features/exchange';

export default function OneImport() {
  const { importId } = useLocalSearchParams<{ importId: string }>();
  return <ImportScreen key={importId} importId={importId} />;
}
