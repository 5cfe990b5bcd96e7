import { useLocalSearchParams } from 'expo-router';
import { FileScreen } from '@/features/filing';

export default function File() {
  const { cardId } = useLocalSearchParams<{ cardId: string }>();
  return <FileScreen key={cardId} cardId={cardId} />;
}
