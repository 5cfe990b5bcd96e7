import type { MailSettings, MailStanding } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { SettingsSection, useSessionQuery, useTeamQuery } from '@/features/account';
import { problemErrors, problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { formatWhen } from '@/lib/formatDate';
import { Button, LoadingLines, Notice, Select, Soft, Subheading, Text, TextField, Toggle } from '@/ui';
import { useMailQuery, useSaveMailMutation, useTryMailMutation } from '../api';

const LOOK_MS = 15_000;
type Server = NonNullable<MailSettings['out']>;
const SECURITY = [
  { value: 'tls', label: 'Closed from the first byte (TLS)' },
  { value: 'startTls', label: 'Closed once both are ready (STARTTLS)' },
  { value: 'none', label: 'Open to whoever listens' },
] as const;
const PORTS = { out: { tls: 465, startTls: 587, none: 25 }, in: { tls: 993, startTls: 143, none: 143 } } as const;

/** How the team sends and receives. */
export function MailSection() {
  const { data, error, refetch } = useMailQuery(undefined, { pollingInterval: LOOK_MS });
  return (
    <SettingsSection title="Mail" measure={640}>
      <Text>
        Messages go out through your own mail server, from your own addresses. Without one nothing is ever sent.
      </Text>
      {error && !data ? (
        <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
          {problemText(error)}
        </Notice>
      ) : data ? (
        <Form standing={data} />
      ) : (
        <LoadingLines lines={4} />
      )}
    </SettingsSection>
  );
}

function Form({ standing }: { standing: MailStanding }) {
  const [fields, setFields] = useState(standing.settings);
  const [outPassword, setOutPassword] = useState<string>();
  const [inPassword, setInPassword] = useState<string>();
  const [save, { error, isLoading, isSuccess }] = useSaveMailMutation();
  const change = (part: Partial<MailSettings>) => setFields({ ...fields, ...part });
  const wrong = (path: string) => problemErrors(error).find((one) => one.path === path)?.message;
  const keep = () => save({ ...fields, outPassword: outPassword || undefined, inPassword: inPassword || undefined });
  return (
    <View className="gap-5">
      <How standing={standing} />
      <View className="gap-3">
        <Subheading>Sending</Subheading>
        <Toggle
          label="A mail server sends for us"
          on={fields.out !== null}
          onChange={(on) => change({ out: on ? { host: '', port: 465, security: 'tls', user: '' } : null })}
        />
        {fields.out ? (
          <ServerFields
            name="out"
            server={fields.out}
            onChange={(out) => change({ out })}
            wrong={wrong}
            password={outPassword}
            onPassword={setOutPassword}
            hasPassword={standing.hasOutPassword}
          />
        ) : null}
      </View>
      <Senders
        senders={fields.senders}
        onChange={(senders) => change({ senders })}
        complaint={problemErrors(error).find((one) => one.path.startsWith('senders'))?.message}
      />
      <View className="gap-3">
        <Subheading>Receiving</Subheading>
        <Toggle
          label="Answers are fetched from a mailbox"
          on={fields.incoming !== null}
          onChange={(on) =>
            change({ incoming: on ? { host: '', port: 993, security: 'tls', user: '', folder: 'INBOX' } : null })
          }
        />
        {fields.incoming ? (
          <>
            <ServerFields
              name="in"
              server={fields.incoming}
              onChange={(server) => change({ incoming: { ...server, folder: fields.incoming!.folder } })}
              wrong={wrong}
              password={inPassword}
              onPassword={setInPassword}
              hasPassword={standing.hasInPassword}
            />
            <TextField
              label="Folder"
              value={fields.incoming.folder}
              onChangeText={(folder) => change({ incoming: { ...fields.incoming!, folder } })}
              maxLength={200}
            />
          </>
        ) : (
          <Soft>Your server can forward mail instead: whoever runs Dossier says where to (DOSSIER_MAIL_PORT).</Soft>
        )}
      </View>
      <View className="gap-3">
        <Subheading>When</Subheading>
        <View className="flex-row flex-wrap gap-3">
          <View className="w-[120px]">
            <TextField
              label="Nothing after"
              value={fields.quietFrom}
              onChangeText={(quietFrom) => change({ quietFrom })}
              maxLength={5}
              complaint={wrong('quietFrom')}
            />
          </View>
          <View className="w-[120px]">
            <TextField
              label="and before"
              value={fields.quietTo}
              onChangeText={(quietTo) => change({ quietTo })}
              maxLength={5}
              complaint={wrong('quietTo')}
            />
          </View>
        </View>
        <Soft>Where the person is. The same twice: at any time.</Soft>
        <Toggle
          label="Also on weekends and holidays"
          on={fields.onDaysOff}
          onChange={(onDaysOff) => change({ onDaysOff })}
        />
        <View className="w-[160px]">
          <TextField
            label="Messages a minute"
            inputMode="numeric"
            value={String(fields.perMinute)}
            onChangeText={(text) => change({ perMinute: Math.min(600, Number(text.replace(/\D/g, '')) || 1) })}
            maxLength={3}
          />
        </View>
      </View>
      <TextField
        label="Under every message"
        hint="Who you are and where, as your country wants it."
        value={fields.footer}
        onChangeText={(footer) => change({ footer })}
        multiline
        maxLength={1000}
      />
      {error ? <Notice fault>{problemText(error)}</Notice> : isSuccess ? <Notice>Saved.</Notice> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button look="ink" busy={isLoading} onPress={() => void keep()}>
          Save
        </Button>
        <Try />
      </View>
    </View>
  );
}

const How = ({
  standing: { outTrouble, inTrouble, lookedAt, waiting, uncertain, hasPublicAddress },
}: {
  standing: MailStanding;
}) => (
  <View className="gap-2">
    {outTrouble ? <Notice fault>{`Sending: ${outTrouble}`}</Notice> : null}
    {inTrouble ? <Notice fault>{`Receiving: ${inTrouble}`}</Notice> : null}
    {hasPublicAddress ? null : (
      <Notice fault>
        Plans send nothing: no way to withdraw can be given. Whoever runs Dossier sets DOSSIER_PUBLIC_ADDRESS.
      </Notice>
    )}
    <Soft>
      {[
        `${counted(waiting, 'message')} on the way`,
        uncertain > 0 && `${uncertain} perhaps sent`,
        lookedAt && `mailbox looked into ${formatWhen(lookedAt)}`,
      ]
        .filter(Boolean)
        .join(' · ')}
    </Soft>
  </View>
);

interface ServerProps {
  name: 'out' | 'in';
  server: Server;
  onChange: (server: Server) => void;
  wrong: (path: string) => string | undefined;
  password: string | undefined;
  onPassword: (password: string) => void;
  hasPassword: boolean;
}

function ServerFields({ name, server, onChange, wrong, password, onPassword, hasPassword }: ServerProps) {
  const path = name === 'out' ? 'out' : 'incoming';
  return (
    <View className="gap-3">
      <TextField
        label={name === 'out' ? 'Mail server' : 'Mailbox server'}
        hint="Such as mail.keldermoss.example."
        value={server.host}
        onChangeText={(host) => onChange({ ...server, host: host.trim() })}
        autoCapitalize="none"
        maxLength={253}
        complaint={wrong(`${path}.host`)}
      />
      <View className="flex-row flex-wrap items-end gap-3">
        <View className="w-[100px]">
          <TextField
            label="Port"
            inputMode="numeric"
            value={String(server.port)}
            onChangeText={(text) => onChange({ ...server, port: Number(text.replace(/\D/g, '')) || 0 })}
            maxLength={5}
            complaint={wrong(`${path}.port`)}
          />
        </View>
        <Select
          label={name === 'out' ? 'The way to the mail server' : 'The way to the mailbox'}
          value={server.security}
          onChange={(security) => onChange({ ...server, security, port: PORTS[name][security] })}
          options={SECURITY}
        />
      </View>
      <TextField
        label="Name there"
        hint="Empty where it asks for none."
        value={server.user}
        onChangeText={(user) => onChange({ ...server, user })}
        autoCapitalize="none"
        maxLength={254}
      />
      <TextField
        label="Password"
        hint={hasPassword ? 'One is kept. Leave this empty to keep it.' : undefined}
        secureTextEntry
        value={password ?? ''}
        onChangeText={onPassword}
        autoComplete="new-password"
        maxLength={500}
        complaint={wrong(`${name}Password`)}
      />
    </View>
  );
}

function Senders({
  senders,
  onChange,
  complaint,
}: {
  senders: MailSettings['senders'];
  onChange: (senders: MailSettings['senders']) => void;
  complaint?: string;
}) {
  const { data: team } = useTeamQuery();
  const change = (place: number, part: Partial<MailSettings['senders'][number]>) =>
    onChange(senders.map((one, i) => (i === place ? { ...one, ...part } : one)));
  return (
    <View className="gap-3">
      <Subheading>From</Subheading>
      {senders.map((sender, place) => (
        <View
          key={place}
          role="group"
          aria-label={`Address ${place + 1}`}
          className="gap-2 border-l-2 border-rule pl-3"
        >
          <TextField
            label="Address"
            value={sender.address}
            onChangeText={(address) => change(place, { address })}
            autoCapitalize="none"
            inputMode="email"
            maxLength={254}
          />
          <TextField
            label="Name that stands there"
            value={sender.name}
            onChangeText={(name) => change(place, { name })}
            maxLength={120}
          />
          <View className="flex-row flex-wrap items-center gap-3">
            <Soft aria-hidden>For the people of</Soft>
            <Select
              label="For the people of"
              value={sender.accountId ?? ''}
              onChange={(accountId) => change(place, { accountId: accountId || null })}
              options={[
                { value: '', label: 'everybody who has none' },
                ...(team?.items ?? []).map(({ id, name }) => ({ value: id, label: name })),
              ]}
            />
            <Button
              look="brick"
              label={`Take out ${sender.address || 'this address'}`}
              onPress={() => onChange(senders.filter((_, i) => i !== place))}
            >
              Take out
            </Button>
          </View>
        </View>
      ))}
      {complaint ? <Soft className="text-brick">{complaint}</Soft> : null}
      <View className="flex-row">
        <Button onPress={() => onChange([...senders, { address: '', name: '', accountId: null }])}>
          Add an address
        </Button>
      </View>
    </View>
  );
}

function Try() {
  const { data: session } = useSessionQuery();
  const [send, { data, error, isLoading }] = useTryMailMutation();
  return (
    <>
      <Button busy={isLoading} onPress={() => void send(session!.user.email)}>
        Send me a try
      </Button>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {data ? <Notice fault={!data.ok}>{data.words}</Notice> : null}
    </>
  );
}
