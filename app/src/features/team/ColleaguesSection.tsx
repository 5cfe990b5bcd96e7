import type { AccessLink, Invited, Member } from '@dossier/contract';
import { mayGive, type Role } from '@dossier/core/account';
import { useState } from 'react';
import { View } from 'react-native';
import { SettingsSection, useSessionQuery } from '@/features/account';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { formatWhen } from '@/lib/formatDate';
import { Button, LoadingLines, Notice, Serif, Soft, Text } from '@/ui';
import {
  useCallOffInvitationMutation,
  useChangeRoleMutation,
  useInviteMutation,
  useLinkForPasswordMutation,
  useMembersQuery,
  useTakeBackIntoUseMutation,
} from './api';
import { GivenLink } from './GivenLink';
import { InviteForm, RoleSelect } from './InviteForm';
import { ROLE_WORDS } from './roleWords';
import { TakeOut } from './TakeOut';

export const ColleaguesSection = () => (
  <SettingsSection title="Colleagues">
    <Colleagues />
  </SettingsSection>
);

type Given = { link: AccessLink; name: string };

/** Who is in the team, who is invited, who is not here any more. */
function Colleagues() {
  const { data: session } = useSessionQuery();
  const { data, error, refetch } = useMembersQuery();
  const [inviting, setInviting] = useState(false);
  const [given, setGiven] = useState<Given>();
  if (error)
    return (
      <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </Notice>
    );
  if (!data || !session) return <LoadingLines />;
  const { user } = session;
  const inUse = data.members.filter(({ outOfUseAt }) => !outOfUseAt);
  const former = data.members.filter(({ outOfUseAt }) => outOfUseAt);
  return (
    <View className="gap-6">
      {given ? <GivenLink {...given} onDone={() => setGiven(undefined)} /> : null}
      {inviting ? (
        <InviteForm
          role={user.role}
          onInvited={(link, name) => {
            setGiven({ link, name });
            setInviting(false);
          }}
          onCancel={() => setInviting(false)}
        />
      ) : (
        <View className="items-start gap-2">
          {inUse.length === 1 && data.invited.length === 0 ? (
            <Soft>You are alone here. Invite whoever photographs, proves or looks after the records with you.</Soft>
          ) : null}
          <Button look={given ? 'plain' : 'ink'} onPress={() => setInviting(true)}>
            Invite a colleague
          </Button>
        </View>
      )}
      <View>
        {inUse.map((member) => (
          <MemberRow
            key={member.id}
            member={member}
            own={{ id: user.id, role: user.role }}
            others={inUse.filter(({ id }) => id !== member.id)}
            onLink={(link) => setGiven({ link, name: member.name })}
          />
        ))}
      </View>
      {data.invited.length > 0 ? (
        <View role="group" aria-label="Invited">
          <Text className="font-medium">Invited</Text>
          {data.invited.map((invited) => (
            <InvitedRow key={invited.id} invited={invited} onLink={(link) => setGiven({ link, name: invited.name })} />
          ))}
        </View>
      ) : null}
      {former.length > 0 ? (
        <View role="group" aria-label="Out of use">
          <Text className="font-medium">Out of use</Text>
          {former.map((member) => (
            <FormerRow key={member.id} member={member} may={mayGive(user.role, member.role)} />
          ))}
        </View>
      ) : null}
    </View>
  );
}

interface MemberRowProps {
  member: Member;
  own: { id: string; role: Role };
  /** To whom what is theirs could go. */
  others: readonly Member[];
  onLink: (link: AccessLink) => void;
}

function MemberRow({ member, own, others, onLink }: MemberRowProps) {
  const [leaving, setLeaving] = useState(false);
  const [changeRole, role] = useChangeRoleMutation();
  const [makeLink, password] = useLinkForPasswordMutation();
  const isOneself = member.id === own.id;
  const isMine = !isOneself && mayGive(own.role, member.role);
  const problem = role.error ?? password.error;
  return (
    <View className="gap-1 border-b border-rule py-3">
      <Serif className="[overflow-wrap:anywhere]">{isOneself ? `${member.name} (you)` : member.name}</Serif>
      <Soft className="[overflow-wrap:anywhere]">
        {[member.email, isMine ? '' : ROLE_WORDS[member.role].name, ownsWords(member.owns)].filter(Boolean).join(' · ')}
      </Soft>
      {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
      {isMine && !leaving ? (
        <View className="flex-row flex-wrap items-center gap-x-4">
          <RoleSelect
            label={`Role of ${member.name}`}
            role={own.role}
            value={member.role}
            onChange={(given) => void changeRole({ id: member.id, role: given })}
          />
          <Button
            look="bare"
            busy={password.isLoading}
            label={`New password for ${member.name}`}
            onPress={() => void makeLink(member.id).then(({ data }) => data && onLink(data))}
          >
            New password
          </Button>
          <Button look="brick" label={`Take ${member.name} out of use`} onPress={() => setLeaving(true)}>
            Take out of use
          </Button>
        </View>
      ) : null}
      {leaving ? <TakeOut member={member} others={others} onDone={() => setLeaving(false)} /> : null}
    </View>
  );
}

function InvitedRow({ invited, onLink }: { invited: Invited; onLink: (link: AccessLink) => void }) {
  const [callOff, calling] = useCallOffInvitationMutation();
  const [invite, inviting] = useInviteMutation();
  const problem = calling.error ?? inviting.error;
  const { name, email, role, endsAt, hasEnded } = invited;
  return (
    <View className="gap-1 border-b border-rule py-3">
      <Serif className="[overflow-wrap:anywhere]">{name}</Serif>
      <Soft className="[overflow-wrap:anywhere]">
        {`${email} · ${ROLE_WORDS[role].name} · ${hasEnded ? 'the link has ended' : `the link ends ${formatWhen(endsAt)}`}`}
      </Soft>
      {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
      <View className="flex-row flex-wrap gap-x-4">
        <Button
          look="bare"
          className="-ml-4"
          label={`New link for ${name}`}
          onPress={() => void invite({ name, email, role }).then(({ data }) => data && onLink(data))}
        >
          New link
        </Button>
        <Button
          look="brick"
          busy={calling.isLoading}
          label={`Call off the invitation of ${name}`}
          onPress={() => void callOff(invited.id)}
        >
          Call off
        </Button>
      </View>
    </View>
  );
}

function FormerRow({ member, may }: { member: Member; may: boolean }) {
  const [takeBack, { isLoading, error }] = useTakeBackIntoUseMutation();
  return (
    <View className="gap-1 border-b border-rule py-3">
      <Serif className="[overflow-wrap:anywhere]">{member.name}</Serif>
      <Soft className="[overflow-wrap:anywhere]">
        {`${member.email} · out of use since ${formatWhen(member.outOfUseAt!)}`}
      </Soft>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {may ? (
        <View className="items-start">
          <Button
            look="bare"
            className="-ml-4"
            busy={isLoading}
            label={`Take ${member.name} back into use`}
            onPress={() => void takeBack(member.id)}
          >
            Take back into use
          </Button>
        </View>
      ) : null}
    </View>
  );
}

const ownsWords = (people: number): string =>
  people === 0 ? '' : `looks after ${counted(people, 'person', 'people')}`;
