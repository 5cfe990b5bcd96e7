import { useLocalSearchParams } from 'expo-router';
import { ProofScreen } from '@/features/proof';

export default function Proof() {
  const { cardId } = useLocalSearchParams<{ cardId: string }>();
  return <ProofScreen cardId={cardId} />;
}
