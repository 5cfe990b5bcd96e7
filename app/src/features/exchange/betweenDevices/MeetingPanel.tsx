import { useState } from 'react';
import { View } from 'react-native';
import { CodeReader } from '@/features/capture';
import type { KeptParcel } from '@/lib/deviceStore';
import { Button, Heading, Notice, Serif, Soft, Text, TextField } from '@/ui';
import { QrCode } from '@/ui/QrCode';
import { useMeeting, type Meeting } from './useMeeting';
import { contentWords, share } from './words';

interface Props {
  accountId: string;
  from: string;
  give?: KeptParcel;
  onChange: () => void;
  onClose: () => void;
}

/** Two devices meet: codes one way and the other, a short one that both compare, and how far it is. */
export function MeetingPanel({ accountId, from, give, onChange, onClose }: Props) {
  const { meeting, hear, itIsTheSame, stop, again } = useMeeting({ accountId, from, give, onChange });
  return (
    <View className="gap-4">
      <Heading>{give ? `Give ${contentWords(give.items)}` : 'Take from another device'}</Heading>
      <Step meeting={meeting} onHear={hear} onSame={itIsTheSame} onStop={stop} onAgain={again} gives={Boolean(give)} />
      {meeting.step === 'moving' ? null : (
        <View className="items-start">
          <Button look="bare" className="-ml-4" onPress={onClose}>
            {meeting.step === 'done' ? 'Close' : 'Cancel'}
          </Button>
        </View>
      )}
    </View>
  );
}

interface StepProps {
  meeting: Meeting;
  gives: boolean;
  onHear: (text: string) => Promise<void>;
  onSame: () => void;
  onStop: () => void;
  onAgain: () => void;
}

function Step({ meeting, gives, onHear, onSame, onStop, onAgain }: StepProps) {
  switch (meeting.step) {
    case 'preparing':
      return <Soft role="status">Making a code …</Soft>;
    case 'showing':
      return (
        <>
          <Shown title="1. Let the other device read this" text={meeting.text}>
            There: People, “Bring in”, “From another device”, then “Take from another device”. Both must be in one network.
          </Shown>
          <Heard title="2. Read its answer" what="the code that the other device shows" complaint={meeting.complaint} onHear={onHear} />
        </>
      ); // prettier-ignore
    case 'reading':
      return (
        <Heard title="1. Read what the other device shows" what="the code of the device that gives" complaint={meeting.complaint} onHear={onHear}>
          There: choose people or cards, make them ready, then “Give”.
        </Heard>
      ); // prettier-ignore
    case 'answering':
      return (
        <Shown title="2. Let the other device read this answer" text={meeting.text}>
          It goes on by itself once that is done.
        </Shown>
      );
    case 'finding':
      return <Soft role="status">Looking for the other device …</Soft>;
    case 'comparing':
      return (
        <View className="gap-3" role="status">
          <Text>{`${meeting.other || 'The other device'} is there. Does it show the same code?`}</Text>
          <Code code={meeting.code} />
          {gives ? (
            <View className="flex-row flex-wrap gap-3">
              <Button look="ink" onPress={onSame}>
                It is the same: give
              </Button>
              <Button look="brick" onPress={onStop}>
                It is another one
              </Button>
            </View>
          ) : (
            <Soft>If it is another one, somebody stands between: cancel. If it is the same, say so on the other device.</Soft>
          )}
        </View>
      ); // prettier-ignore
    case 'moving':
      return (
        <View className="gap-3">
          <Progress percent={share(meeting.bytes, meeting.parcel.items)} />
          <Soft role="status">
            {`${contentWords(meeting.parcel.items)} ${gives ? 'to' : 'from'} ${meeting.other || 'the other device'}, code ${meeting.code}.`}
          </Soft>
          <View className="items-start">
            <Button onPress={onStop}>Stop</Button>
          </View>
        </View>
      );
    case 'done':
      return (
        <Notice>
          {gives
            ? `All of it is with ${meeting.other || 'the other device'}: ${contentWords(meeting.parcel.items)}.`
            : `All of it has come: ${contentWords(meeting.parcel.items)}. Close, and say what becomes of it.`}
        </Notice>
      );
    case 'broken':
      return (
        <Notice fault action={<Button onPress={onAgain}>Connect again</Button>}>
          {meeting.words}
        </Notice>
      );
  }
}

const Code = ({ code }: { code: string }) => (
  <Serif className="tabular text-[40px] leading-[48px]" aria-label={`Code ${code.split('').join(' ')}`}>
    {code}
  </Serif>
);

/** This side's own text, as a code and to be copied. */
function Shown({ title, text, children }: { title: string; text: string; children: string }) {
  const [copied, setCopied] = useState<boolean>();
  const copy = () =>
    navigator.clipboard.writeText(text).then(
      () => setCopied(true),
      () => setCopied(false),
    );
  return (
    <View className="gap-2">
      <Text className="font-medium">{title}</Text>
      <Soft>{children}</Soft>
      <QrCode text={text} label="Code for the other device" size={300} />
      <View className="flex-row flex-wrap items-center gap-3">
        <Button onPress={() => void copy()}>Copy as text</Button>
        <View role="status">
          <Soft>{copied ? 'Copied.' : copied === false ? 'It could not be copied. Select it below.' : ''}</Soft>
        </View>
      </View>
      {copied === false ? (
        <Text selectable className="font-mono text-[13px] [overflow-wrap:anywhere]">
          {text}
        </Text>
      ) : null}
    </View>
  );
}

interface HeardProps {
  title: string;
  what: string;
  complaint?: string;
  children?: string;
  onHear: (text: string) => Promise<void>;
}

/** The other side's text: read with the camera, from a picture, or pasted. */
function Heard({ title, what, complaint, children, onHear }: HeardProps) {
  const [camera, setCamera] = useState(false);
  const [pasted, setPasted] = useState('');
  const read = (text: string) => {
    setCamera(false);
    void onHear(text);
  };
  return (
    <View className="gap-2">
      <Text className="font-medium">{title}</Text>
      {children ? <Soft>{children}</Soft> : null}
      {complaint ? <Notice fault>{complaint}</Notice> : null}
      {camera ? (
        <CodeReader what={what} onText={read} />
      ) : (
        <View className="items-start">
          <Button look="ink" onPress={() => setCamera(true)}>
            Read it with the camera
          </Button>
        </View>
      )}
      <TextField
        label="Or paste its text"
        value={pasted}
        onChangeText={setPasted}
        multiline
        maxLength={8_000}
        autoCapitalize="none"
      />
      <View className="items-start">
        <Button disabled={pasted.trim() === ''} onPress={() => read(pasted)}>
          Use this text
        </Button>
      </View>
    </View>
  );
}

const Progress = ({ percent }: { percent: number }) => (
  <View className="flex-row items-center gap-3">
    <View
      role="progressbar"
      aria-label="How much of it has come"
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={percent}
      className="h-[6px] min-w-0 flex-1 bg-rule"
    >
      <View className="h-full bg-ink" style={{ width: `${percent}%` }} />
    </View>
    <Text className="tabular">{`${percent} %`}</Text>
  </View>
);
