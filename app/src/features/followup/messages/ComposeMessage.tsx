import type { Attachment, HandPurpose, Message, Person, Preview } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { problemText } from '@/lib/api';
import { Button, Choice, LoadingLines, Notice, Select, Soft, TextField, Toggle } from '@/ui';
import { usePreviewQuery, useSendMessageMutation, useTemplatesQuery } from '../api';
import { FilesAlong } from './FilesAlong';

/** What is asked for is judged when it is sent: until then it may be anything. */
const ANYTHING = 'anything';

interface Props {
  person: Person;
  /** The message that is answered; null for a new one. */
  answers: Message | null;
  onClose: () => void;
}

/** The message as it will go, to be changed before it does. */
export function ComposeMessage({ person, answers, onClose }: Props) {
  const { data: templates } = useTemplatesQuery();
  const offered = templates?.items.filter(({ kind }) => kind === 'email') ?? [];
  const [templateId, setTemplateId] = useState('');
  const [kind, setKind] = useState<HandPurpose['kind']>('byHand');
  const [asked, setAsked] = useState('');
  const template = offered.find(({ id }) => id === templateId);
  const purpose: HandPurpose = kind === 'reply' ? { kind, asked } : { kind, scope: template?.scope ?? null };
  // Of another template nothing is shown until its own words are here; whether it may be sent is asked beside that.
  const words = usePreviewQuery({ personId: person.id, request: { templateId: templateId || undefined } });
  const gate = usePreviewQuery({
    personId: person.id,
    request: { purpose: kind === 'reply' ? { kind, asked: ANYTHING } : purpose },
  });
  const preview = words.currentData;
  const error = words.error ?? gate.error;
  return (
    <View role="form" aria-label={`Write to ${person.fullName}`} className="gap-4 border-y border-rule py-4">
      {offered.length > 0 ? (
        <View className="flex-row flex-wrap items-center gap-3">
          <Soft aria-hidden>Begin with</Soft>
          <Select
            label="Template"
            value={templateId}
            onChange={setTemplateId}
            options={[
              { value: '', label: 'An empty page' },
              ...offered.map(({ id, name }) => ({ value: id, label: name })),
            ]}
          />
        </View>
      ) : null}
      <View className="gap-2">
        <Soft>Why it may be sent</Soft>
        <Choice
          label="Why it may be sent"
          options={[
            { value: 'byHand', label: 'They agreed' },
            { value: 'reply', label: 'They asked' },
          ]}
          value={kind}
          onChange={setKind}
        />
        {kind === 'reply' ? (
          <TextField
            label="What they asked for"
            hint="Such as: send me your details. It is answered once."
            value={asked}
            onChangeText={setAsked}
            maxLength={300}
          />
        ) : null}
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {preview ? (
        <Letter
          // Begun anew from another template.
          key={`${templateId} ${preview.language}`}
          {...{ person, answers, preview, purpose, templateId, onClose }}
          ownVcard={template?.ownVcard ?? false}
          files={template?.attachments ?? []}
          refusal={gate.currentData?.verdict.words ?? null}
          isStale={gate.isFetching}
        />
      ) : error ? null : (
        <LoadingLines lines={2} />
      )}
    </View>
  );
}

interface LetterProps extends Props {
  preview: Preview;
  purpose: HandPurpose;
  templateId: string;
  ownVcard: boolean;
  files: readonly Attachment[];
  /** Why it may not be sent; null where it may. */
  refusal: string | null;
  isStale: boolean;
}

function Letter({
  person,
  answers,
  preview,
  purpose,
  templateId,
  ownVcard,
  files,
  refusal,
  isStale,
  onClose,
}: LetterProps) {
  const addresses = person.fields.emails;
  const [id] = useState(() => uuidv7());
  const [to, setTo] = useState(answers && addresses.includes(answers.from) ? answers.from : (addresses[0] ?? ''));
  const [subject, setSubject] = useState(preview.subject || (answers ? againOf(answers.subject) : ''));
  const [body, setBody] = useState(preview.body);
  const [withCard, setWithCard] = useState(ownVcard);
  const [along, setAlong] = useState<readonly Attachment[]>(files);
  const [send, { isLoading, error }] = useSendMessageMutation();
  const gaps = preview.missing.length > 0 && body.includes('…');
  const go = async () => {
    const message = { id, to, subject: subject.trim(), body, purpose, templateId: templateId || null, answersId: answers?.id ?? null, ownVcard: withCard, attachmentIds: along.map((one) => one.id) }; // prettier-ignore
    const answer = await send({ personId: person.id, message });
    if (!answer.error) onClose();
  };
  return (
    <View className="gap-3">
      <Soft>
        {preview.from
          ? `From ${preview.from}`
          : 'No address to send from is set. An administrator sets one under Mail.'}
      </Soft>
      {addresses.length > 1 ? (
        <View className="flex-row items-center gap-3">
          <Soft aria-hidden>To</Soft>
          <Select
            label="To"
            value={to}
            onChange={setTo}
            options={addresses.map((value) => ({ value, label: value }))}
          />
        </View>
      ) : (
        <Soft>{addresses[0] ? `To ${addresses[0]}` : 'There is no e-mail address.'}</Soft>
      )}
      <TextField label="Subject" value={subject} onChangeText={setSubject} maxLength={300} />
      <TextField label="Message" value={body} onChangeText={setBody} multiline maxLength={20_000} numberOfLines={10} />
      {gaps ? (
        <Notice fault>{`Nothing is known for: ${preview.missing.join(', ')}. Write it where the dots are.`}</Notice>
      ) : null}
      <Toggle label="My own details go along" on={withCard} onChange={setWithCard} />
      <FilesAlong files={along} onChange={setAlong} />
      {refusal ? <Notice fault>{refusal}</Notice> : null}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row gap-2">
        <Button
          look="ink"
          busy={isLoading || isStale}
          disabled={Boolean(refusal) || gaps || !preview.from || !to || !subject.trim() || !body.trim()}
          onPress={() => void go()}
        >
          Send
        </Button>
        <Button look="bare" onPress={onClose}>
          Leave it
        </Button>
      </View>
    </View>
  );
}

const againOf = (subject: string): string => (/^re:/i.test(subject) ? subject : `Re: ${subject}`);
