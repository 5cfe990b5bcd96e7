import { FileFromTray, isClean } from '@/features/proof';
import { TrayScreen } from '@/features/reading';

/** The rows of the tray know nothing of filing: the proof room lends them its button. */
export default function Tray() {
  return <TrayScreen rowAct={(item) => <FileFromTray item={item} />} isClean={isClean} />;
}
