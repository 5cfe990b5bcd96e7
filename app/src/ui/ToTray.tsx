import { useRouter } from 'expo-router';
import { Button } from './Button';

/** The way on from a page that leads nowhere. */
export function ToTray() {
  const router = useRouter();
  return (
    <Button look="ink" onPress={() => router.replace('/tray')}>
      Go to the tray
    </Button>
  );
}
