import { useLocalSearchParams } from 'expo-router';
import { BordersScreen } from '@/features/capture';

export default function Borders() {
  const { photoId } = useLocalSearchParams<{ photoId: string }>();
  return <BordersScreen photoId={photoId} />;
}
