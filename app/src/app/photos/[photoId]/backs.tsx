import { useLocalSearchParams } from 'expo-router';
import { BacksScreen } from '@/features/tray';

export default function Backs() {
  const { photoId } = useLocalSearchParams<{ photoId: string }>();
  return <BacksScreen photoId={photoId} />;
}
