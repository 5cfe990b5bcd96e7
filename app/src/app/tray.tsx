import { TwinNote } from '@/features/matching';
import { FileFromTray, isClean, PreparedDesk } from '@/features/proof';
import { TrayScreen } from '@/features/reading';

/** The rows of the tray know nothing of filing and matching: those rooms lend them a button and a note. */
export default function Tray() {
  return (
    <>
      <TrayScreen RowAct={FileFromTray} RowNote={TwinNote} isClean={isClean} />
      <PreparedDesk />
    </>
  );
}
