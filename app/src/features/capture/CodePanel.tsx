import { readCode } from '@dossier/core/reading/code';
import { useState, type RefObject } from 'react';
import { View } from 'react-native';
import { Button, Notice, Serif, Soft } from '@/ui';
import { useCodes } from './useCodes';
import { useTextCard } from './WithoutPicture';

interface Props {
  accountId: string;
  occasionId: string | null;
  video: RefObject<HTMLVideoElement | null>;
  /** The camera shows something. */
  live: boolean;
  onDone: () => void;
}

/** Reads a code held before the camera, or on a picture, and makes a card of what it says. */
export default function CodePanel({ accountId, occasionId, video, live, onDone }: Props) {
  const { text, state, readPicture, again } = useCodes(video, live);
  const pick = () => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = 'image/*';
    input.onchange = () => input.files?.[0] && void readPicture(input.files[0]);
    input.click();
  };
  if (text !== undefined)
    return <FoundCode accountId={accountId} occasionId={occasionId} text={text} onAgain={again} onDone={onDone} />;
  return (
    <View className="gap-3">
      {state === 'failed' ? (
        <Notice fault action={<Button onPress={again}>Try again</Button>}>
          The part that reads codes could not be loaded. Photograph the card instead, or try again with a network.
        </Notice>
      ) : state === 'nothing' ? (
        <Notice fault>There is no code on this picture that can be read. Take one nearer.</Notice>
      ) : (
        <Serif role="status" className="text-[18px]">
          {live ? 'Hold the code before the camera' : 'Choose a picture of the code'}
        </Serif>
      )}
      <View className="flex-row flex-wrap gap-3">
        <Button onPress={pick}>From a picture</Button>
        <Button onPress={onDone}>Close</Button>
      </View>
    </View>
  );
}

interface FoundProps {
  accountId: string;
  occasionId: string | null;
  text: string;
  onAgain: () => void;
  onDone: () => void;
}

function FoundCode({ accountId, occasionId, text, onAgain, onDone }: FoundProps) {
  const put = useTextCard(accountId, occasionId);
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const says = readCode(text);
  const first = (...fields: string[]) => says.find(({ field }) => fields.includes(field))?.value;
  const name = first('fullName') ?? [first('givenName'), first('familyName')].filter(Boolean).join(' ');
  const title = name || first('company') || first('email', 'phone', 'website');
  const more = [name && first('company'), first('email'), first('phone'), first('website')].filter(
    (value) => value && value !== title,
  );
  const keep = async () => {
    setBusy(true);
    setProblem(await put({ kind: 'code', text }, `A code: ${title}`));
    setBusy(false);
  };
  return (
    <View className="gap-2" role="status">
      <Serif numberOfLines={2}>{title ?? 'This code says nothing about a person'}</Serif>
      <Soft numberOfLines={3}>{title ? more.join(' · ') : text}</Soft>
      {problem ? <Notice fault>{problem}</Notice> : null}
      <View className="flex-row flex-wrap gap-3">
        {title ? (
          <Button look="ink" busy={busy} onPress={() => void keep()}>
            Put it in the tray
          </Button>
        ) : null}
        <Button onPress={onAgain}>Read another</Button>
        <Button onPress={onDone}>Close</Button>
      </View>
    </View>
  );
}
