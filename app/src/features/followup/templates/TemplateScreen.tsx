import type { Attachment, Piece, Template, TemplateText } from '@dossier/contract';
import {
  MESSAGE_LANGUAGES,
  ownPlaceholder,
  placeholderLabel,
  textIn,
  PLACEHOLDERS,
  type Placeholder,
  type PlaceholderName,
} from '@dossier/core/followup/templates';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { SettingsSection, useSessionQuery } from '@/features/account';
import { PersonPicker } from '@/features/people';
import { problemErrors, problemText } from '@/lib/api';
import {
  Button,
  CannotShow,
  Choice,
  LoadingLines,
  Notice,
  Select,
  Soft,
  Subheading,
  Text,
  TextField,
  Toggle,
} from '@/ui';
import { usePreviewQuery, useRemoveTemplateMutation, useSaveTemplateMutation, useTemplatesQuery } from '../api';
import { FilesAlong } from '../messages/FilesAlong';
import { languageName } from './languageName';
import { PlaceEditor } from './PlaceEditor';

const EMPTY: TemplateText = { subject: [''], body: [{ field: 'greeting', fallback: '' }, '\n\n'] };
type Texts = Record<string, TemplateText>;

/** A template, to be written and tried with real people. @param templateId `new` for one that is not there yet */
export function TemplateScreen({ templateId }: { templateId: string }) {
  const { data, error, refetch } = useTemplatesQuery();
  const isNew = templateId === 'new';
  const template = data?.items.find(({ id }) => id === templateId);
  if (error && !data) return <CannotShow title="Templates cannot be shown" error={error} onRetry={refetch} />;
  if (!data) return <LoadingLines />;
  return (
    <SettingsSection
      title="Templates"
      heading={isNew ? 'A new template' : (template?.name ?? 'A template')}
      measure={720}
    >
      {isNew || template ? (
        <Writing key={template?.version ?? 0} template={template} />
      ) : (
        <Soft>This template is not here any more.</Soft>
      )}
    </SettingsSection>
  );
}

function Writing({ template }: { template: Template | undefined }) {
  const router = useRouter();
  const { data: session } = useSessionQuery();
  const [id] = useState(() => template?.id ?? uuidv7());
  const [name, setName] = useState(template?.name ?? '');
  const [kind, setKind] = useState<Template['kind']>(template?.kind ?? 'email');
  const [scope, setScope] = useState(template?.scope ?? '');
  const [texts, setTexts] = useState<Texts>((template?.texts as Texts | undefined) ?? { en: EMPTY });
  const [language, setLanguage] = useState(() => textIn(texts, 'en')?.language ?? 'en');
  const [ownVcard, setOwnVcard] = useState(template?.ownVcard ?? false);
  const [files, setFiles] = useState<readonly Attachment[]>(template?.attachments ?? []);
  const [save, { error, isLoading }] = useSaveTemplateMutation();
  const [remove, removing] = useRemoveTemplateMutation();
  const text = texts[language] ?? EMPTY;
  const write = (part: 'subject' | 'body') => (pieces: Piece[]) =>
    setTexts((now) => ({ ...now, [language]: { ...(now[language] ?? EMPTY), [part]: pieces } }));
  const own = (session?.workspace.ownFields ?? []).map(ownPlaceholder);
  const places = [...(Object.keys(PLACEHOLDERS) as PlaceholderName[]), ...own].map((value: Placeholder) => ({
    value,
    label: placeholderLabel(value),
  }));
  const wrong = (path: string) => problemErrors(error).find((one) => one.path.startsWith(path))?.message;
  const keep = async () => {
    const fields = {
      name,
      kind,
      scope: scope.trim() || null,
      texts,
      ownVcard,
      attachmentIds: files.map((one) => one.id),
    };
    const answer = await save({ id, version: template?.version ?? 0, fields });
    if (!answer.error) router.replace('/settings/templates');
  };
  const leave = async () => {
    const answer = await remove(id);
    if (!answer.error) router.replace('/settings/templates');
  };
  return (
    <View className="gap-5">
      <TextField
        label="Name"
        hint="Only your team sees it."
        value={name}
        onChangeText={setName}
        maxLength={120}
        complaint={wrong('name')}
      />
      <Choice
        label="Sent as"
        options={[
          { value: 'email', label: 'E-mail' },
          { value: 'letter', label: 'Letter' },
        ]}
        value={kind}
        onChange={setKind}
      />
      <TextField
        label="What it is about"
        hint="As people agreed to it. Empty: whatever they agreed to."
        value={scope}
        onChangeText={setScope}
        maxLength={200}
      />
      <View className="flex-row flex-wrap items-center gap-3">
        <Soft aria-hidden>Language</Soft>
        <Select
          label="Language"
          value={language}
          onChange={setLanguage}
          options={MESSAGE_LANGUAGES.map((code) => ({
            value: code,
            label: `${languageName(code)}${texts[code] ? '' : ', not written'}`,
          }))}
        />
        {texts[language] && Object.keys(texts).length > 1 ? (
          <Button
            look="brick"
            onPress={() => {
              const { [language]: _gone, ...rest } = texts;
              setTexts(rest);
              setLanguage(Object.keys(rest)[0]!);
            }}
          >
            {`Take out ${languageName(language)}`}
          </Button>
        ) : null}
      </View>
      <PlaceEditor
        key={`subject ${language}`}
        label="Subject"
        oneLine
        pieces={text.subject}
        onChange={write('subject')}
        places={places}
      />
      <PlaceEditor
        key={`body ${language}`}
        label="Text"
        pieces={text.body}
        onChange={write('body')}
        places={places}
        complaint={wrong('texts')}
      />
      {kind === 'email' ? (
        <View className="gap-1">
          <Toggle label="The sender’s own details go along" on={ownVcard} onChange={setOwnVcard} />
          <FilesAlong files={files} onChange={setFiles} />
        </View>
      ) : null}
      <Shown texts={texts} language={language} />
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {removing.error ? <Notice fault>{problemText(removing.error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button look="ink" busy={isLoading} disabled={!name.trim()} onPress={() => void keep()}>
          Save
        </Button>
        {template ? (
          <Button look="brick" busy={removing.isLoading} onPress={() => void leave()}>
            Remove it
          </Button>
        ) : null}
      </View>
    </View>
  );
}

/** The template as it would go to somebody. */
function Shown({ texts, language }: { texts: Texts; language: string }) {
  const [personId, setPersonId] = useState<string>();
  return (
    <View className="gap-2">
      <Subheading>As it would go</Subheading>
      <PersonPicker label="To" onChoose={setPersonId} />
      {personId ? (
        <As personId={personId} texts={texts} language={language} />
      ) : (
        <Soft>Choose somebody to see it with their name and firm.</Soft>
      )}
    </View>
  );
}

function As({ personId, texts, language }: { personId: string; texts: Texts; language: string }) {
  const { data, error } = usePreviewQuery({ personId, request: { texts, language } });
  if (error) return <Notice fault>{problemText(error)}</Notice>;
  if (!data) return <LoadingLines lines={2} />;
  return (
    <View className="gap-1 border-l-2 border-rule pl-3">
      <Soft>{[data.from && `From ${data.from}`, data.to && `to ${data.to}`].filter(Boolean).join(' ')}</Soft>
      <Text className="font-medium [overflow-wrap:anywhere]">{data.subject}</Text>
      <Text className="[overflow-wrap:anywhere]">{data.body}</Text>
      {data.missing.length > 0 ? (
        <Soft className="text-brick">{`Not sent to them: nothing is known for ${data.missing.join(', ')}.`}</Soft>
      ) : null}
      {data.verdict.words ? <Soft className="text-brick">{data.verdict.words}</Soft> : null}
    </View>
  );
}
