import { useRouter } from 'expo-router';
import { Button, EmptyState } from '@/ui';

export default function NotFound() {
  const router = useRouter();
  return (
    <EmptyState
      title="There is no such page"
      action={<Button onPress={() => router.replace('/tray')}>Go to the tray</Button>}
    >
      The address may be old or mistyped.
    </EmptyState>
  );
}
