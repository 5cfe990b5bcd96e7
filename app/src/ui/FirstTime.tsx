import { useDeviceSetting } from '@/lib/deviceSetting';
import { Button } from './Button';
import { Notice } from './Notice';

/** Explains a word of the product where it is first met, until somebody says that it is understood; remembered on this device. */
export function FirstTime({ about, children }: { about: 'tray' | 'strip' | 'occasion'; children: string }) {
  const [isKnown, setKnown] = useDeviceSetting(`explained.${about}`, false);
  if (isKnown) return null;
  return (
    <Notice
      action={
        <Button look="bare" onPress={() => setKnown(true)}>
          Understood
        </Button>
      }
    >
      {children}
    </Notice>
  );
}
