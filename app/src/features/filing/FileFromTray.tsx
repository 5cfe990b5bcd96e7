import type { TrayItem } from '@dossier/contract';
import { useState } from 'react';
import { isClean } from '@/features/tray';
import { Button } from '@/ui';
import { useCleanFiling } from './useCleanFiling';

/** Files a card without any doubt straight from the tray. */
export const FileFromTray = ({ item }: { item: TrayItem }) => (isClean(item) ? <FileIt item={item} /> : null);

function FileIt({ item }: { item: TrayItem }) {
  const file = useCleanFiling();
  const [busy, setBusy] = useState(false);
  const press = async () => {
    setBusy(true);
    await file(item.id);
    setBusy(false);
  };
  return (
    <Button busy={busy} label={`File ${item.name}`} onPress={() => void press()}>
      File
    </Button>
  );
}
