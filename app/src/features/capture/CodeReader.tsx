import { useEffect } from 'react';
import { View } from 'react-native';
import { Button, Notice, PickFile, Soft } from '@/ui';
import { useCamera } from './useCamera';
import { useCodes } from './useCodes';

const NO_CAMERA = {
  denied: 'The camera is not allowed for this page.',
  none: 'There is no camera here.',
  busy: 'Another program has the camera.',
  insecure: 'Browsers give the camera only to pages that come over https.',
} as const;

interface Props {
  /** What is looked for, as in "the code that the other device shows". */
  what: string;
  /** A picture of a code will do as well. */
  onText: (text: string) => void;
}

/** Reads one code with the camera, or from a picture, and hands on what stands in it. */
export function CodeReader({ what, onText }: Props) {
  const { video, state: camera, tryAgain } = useCamera(true, 'environment');
  const { text, state, readPicture, again } = useCodes(video, camera === 'live');
  useEffect(() => {
    if (text !== undefined) onText(text);
  }, [onText, text]);
  return (
    <View className="gap-2">
      <video
        ref={video}
        muted
        playsInline
        aria-label="What the camera sees"
        style={{ width: '100%', maxHeight: 320, objectFit: 'cover', borderRadius: 4, display: camera === 'live' ? 'block' : 'none' }} // prettier-ignore
      />
      <View role="status">
        <Soft>
          {camera === 'live'
            ? `Hold ${what} before the camera.`
            : camera === 'asking'
              ? 'Waiting for the camera …'
              : `${NO_CAMERA[camera]} Take a picture of ${what} and pick it here, or paste its text below.`}
        </Soft>
      </View>
      {state === 'failed' ? (
        <Notice fault action={<Button onPress={again}>Try again</Button>}>
          The part that reads codes could not be loaded. Paste the text instead.
        </Notice>
      ) : state === 'nothing' ? (
        <Notice fault>There is no code on this picture that can be read. Take one nearer.</Notice>
      ) : null}
      <View className="flex-row flex-wrap gap-3">
        <PickFile accept="image/*" onPick={(file) => void readPicture(file)}>
          From a picture
        </PickFile>
        {camera === 'live' || camera === 'asking' || camera === 'insecure' ? null : (
          <Button look="bare" onPress={tryAgain}>
            Try the camera again
          </Button>
        )}
      </View>
    </View>
  );
}
