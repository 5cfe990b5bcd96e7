import { GiveCards } from '@/features/exchange';
import { FileFromTray } from '@/features/filing';
import { PreparedDesk } from '@/features/proof';
import { TrayScreen } from '@/features/tray';

/** The tray knows nothing of filing, nor of other devices: those rooms lend it a button each. */
export default function Tray() {
  return (
    <>
      <TrayScreen RowAct={FileFromTray} Give={GiveCards} />
      <PreparedDesk />
    </>
  );
}
