import { type BackupSchedule, type BackupView, SHORTEST_PASSPHRASE } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { SettingsSection } from '@/features/account';
import { API, problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { sizeWords } from '@/lib/fetchFile';
import { formatWhen } from '@/lib/formatDate';
import { useFetchedFile } from '@/lib/useFetchedFile';
import { Button, Choice, LoadingLines, Notice, Select, Soft, Subheading, Text, TextField, Toggle } from '@/ui';
import { useBackupsQuery, useScheduleBackupsMutation } from './api';

/** So often is looked how far one is that is being made. */
const LOOK_MS = 3_000;

/** Everything that the team has, as one file: now, and by itself. */
export const BackupSection = () => (
  <SettingsSection title="Backup">
    <BackupNow />
    <ByItself />
  </SettingsSection>
);

function BackupNow() {
  const { state, begin, stop } = useFetchedFile('/backups/file');
  const [isEncrypted, setIsEncrypted] = useState(false);
  const [passphrase, setPassphrase] = useState('');
  const [complaint, setComplaint] = useState<string>();
  const start = () => {
    const isShort = isEncrypted && passphrase.length < SHORTEST_PASSPHRASE;
    setComplaint(isShort ? `Use at least ${SHORTEST_PASSPHRASE} characters: whoever has the file can try as often as they like.` : undefined); // prettier-ignore
    if (!isShort) void begin(isEncrypted ? { passphrase } : {});
  };
  return (
    <View className="gap-4">
      <Text>
        One file with all people, cards, pictures and what was done with them, also who may sign in. It can be put back
        into an empty workspace.
      </Text>
      <Toggle label="Encrypt it with a passphrase" on={isEncrypted} onChange={setIsEncrypted} />
      {isEncrypted ? (
        <TextField
          label="Passphrase"
          hint="Nobody can open the file without it, nor tell it to you. Keep it elsewhere."
          value={passphrase}
          onChangeText={setPassphrase}
          onSubmitEditing={start}
          complaint={complaint}
          autoComplete="new-password"
          secureTextEntry
        />
      ) : (
        <Soft>Whoever has the file can read it: keep it where only those come who may.</Soft>
      )}
      {state.kind === 'failed' ? <Notice fault>{state.words}</Notice> : null}
      <View role="status">
        {state.kind === 'running' ? (
          <Soft>{state.bytes > 0 ? `${sizeWords(state.bytes)} have come so far` : 'Putting it together …'}</Soft>
        ) : state.kind === 'done' ? (
          <Text>{`Made: ${state.name}, ${sizeWords(state.bytes)}.`}</Text>
        ) : null}
      </View>
      <View className="flex-row">
        {state.kind === 'running' ? (
          <Button onPress={stop}>Stop</Button>
        ) : (
          <Button look="ink" onPress={start}>
            Make a backup now
          </Button>
        )}
      </View>
    </View>
  );
}

const EVERY = [
  { value: 'never', label: 'Never' },
  { value: 'day', label: 'Every day' },
  { value: 'week', label: 'Every week' },
] as const;
const KEEP = ['1', '3', '7', '14', '30', '60'].map((value) => ({ value, label: value }));

function ByItself() {
  const [isMaking, setIsMaking] = useState(false);
  const { data, error, refetch } = useBackupsQuery(undefined, { pollingInterval: isMaking ? LOOK_MS : 0, refetchOnMountOrArgChange: true }); // prettier-ignore
  const [schedule, { error: problem }] = useScheduleBackupsMutation();
  const isUnderWay = data?.latest.some(({ state }) => state === 'running') ?? false;
  if (isUnderWay !== isMaking) setIsMaking(isUnderWay);
  if (error && !data)
    return (
      <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </Notice>
    );
  if (!data) return <LoadingLines />;
  const { schedule: now, latest } = data;
  const change = (values: Partial<BackupSchedule>) => void schedule({ ...now!, ...values });
  const keep = String(now?.keep ?? '');
  const choices = KEEP.some(({ value }) => value === keep) ? KEEP : [...KEEP, { value: keep, label: keep }];
  return (
    <View className="gap-4 border-t border-rule pt-5">
      <Subheading>By itself</Subheading>
      {now ? (
        <>
          <Choice
            label="How often"
            options={EVERY}
            value={now.every}
            onChange={(every) => change({ every: every as BackupSchedule['every'] })}
          />
          <View className="items-start gap-1">
            <Text aria-hidden>Keep the latest</Text>
            <Select
              label="Keep the latest"
              options={choices}
              value={keep}
              onChange={(value) => change({ keep: Number(value) })}
            />
          </View>
          <Soft>
            {data.isEncrypted
              ? 'They lie on the machine that Dossier runs on, encrypted with its passphrase.'
              : 'They lie on the machine that Dossier runs on. Copy them to another one: a machine that is lost takes its backups with it.'}
          </Soft>
          <Soft>Whoever is erased is still in older backups, until those go.</Soft>
        </>
      ) : (
        <Soft>This installation has no folder for them. Whoever runs it can name one.</Soft>
      )}
      {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
      {latest.length > 0 ? (
        <View role="list" aria-label="Backups made by themselves" className="border-t border-rule">
          {latest.map((backup) => (
            <Made key={backup.id} backup={backup} />
          ))}
        </View>
      ) : now && now.every !== 'never' ? (
        <Soft>The first one is made within the hour.</Soft>
      ) : null}
    </View>
  );
}

function Made({
  backup: { id, beganAt, state, progress, bytes, people, isEncrypted, problem },
}: {
  backup: BackupView;
}) {
  const what =
    state === 'running'
      ? `Being made, ${Math.round(progress * 100)} %`
      : state === 'failed'
        ? problem
        : [counted(people ?? 0, 'person', 'people'), sizeWords(bytes ?? 0), isEncrypted ? 'encrypted' : ''].filter(Boolean).join(', '); // prettier-ignore
  return (
    <View role="listitem" className="min-h-touch flex-row items-center gap-3 border-b border-rule py-2">
      <View className="min-w-0 flex-1">
        <Text>{formatWhen(beganAt)}</Text>
        <Soft className={state === 'failed' ? 'text-brick' : ''}>{what}</Soft>
      </View>
      {state === 'done' ? (
        <a
          href={`${API}/backups/${id}/file`}
          download
          aria-label={`Fetch the backup of ${formatWhen(beganAt)}`}
          style={{ padding: 12, color: 'rgb(var(--ink))', textDecoration: 'underline', textUnderlineOffset: 3 }}
        >
          Fetch
        </a>
      ) : null}
    </View>
  );
}
