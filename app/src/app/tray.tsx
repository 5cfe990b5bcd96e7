import { FileFromTray } from '@/features/filing';
import { PreparedDesk } from '@/features/proof';
import { TrayScreen } from '@/features/tray';

/** A row of the tray knows nothing of filing: that room lends it a button. */
export default function Tray() {
  return (
    <>
      <TrayScreen RowAct={FileFromTray} />
      <PreparedDesk />
    </>
  );
}
