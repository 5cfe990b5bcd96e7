import { Invitation, type AccessLink } from '@dossier/contract';
import { mayGive, ROLES, type Role } from '@dossier/core/account';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { View } from 'react-native';
import { tellForm } from '@/lib/formProblem';
import { Button, Notice, Select, Soft } from '@/ui';
import { FormField } from '@/ui/FormField';
import { useInviteMutation } from './api';
import { ROLE_WORDS } from './roleWords';

interface Props {
  /** What whoever invites may do themselves. */
  role: Role;
  onInvited: (link: AccessLink, name: string) => void;
  onCancel: () => void;
}

/** Who is to come, and as what. */
export function InviteForm({ role, onInvited, onCancel }: Props) {
  const [invite] = useInviteMutation();
  const [problem, setProblem] = useState<string>();
  const form = useForm({
    resolver: zodResolver(Invitation),
    defaultValues: { name: '', email: '', role: 'rep' as Role },
  });
  const { control } = form;
  const submit = form.handleSubmit(async (invitation) => {
    const { data, error } = await invite(invitation);
    if (error) return setProblem(tellForm(form, error));
    onInvited(data, invitation.name);
  });
  return (
    <View role="group" aria-label="Invite a colleague" className="gap-4">
      <FormField control={control} name="name" label="Name" autoFocus autoComplete="off" />
      <FormField
        control={control}
        name="email"
        label="E-mail"
        hint="They sign in with it. Nothing is sent: you get a link to pass on."
        inputMode="email"
        autoCapitalize="none"
        autoComplete="off"
        onSubmitEditing={() => void submit()}
      />
      <View className="items-start gap-1">
        <Soft aria-hidden>Role</Soft>
        <Controller
          control={control}
          name="role"
          render={({ field }) => (
            <>
              <RoleSelect label="Role" role={role} value={field.value} onChange={field.onChange} />
              <Soft>{ROLE_WORDS[field.value].about}</Soft>
            </>
          )}
        />
      </View>
      {problem ? <Notice fault>{problem}</Notice> : null}
      <View className="flex-row flex-wrap gap-3">
        <Button look="ink" busy={form.formState.isSubmitting} onPress={() => void submit()}>
          Make the link
        </Button>
        <Button onPress={onCancel}>Cancel</Button>
      </View>
    </View>
  );
}

interface RoleSelectProps {
  label: string;
  role: Role;
  value: Role;
  onChange: (role: Role) => void;
}

/** The roles that somebody may give. */
export const RoleSelect = ({ label, role, value, onChange }: RoleSelectProps) => (
  <Select
    label={label}
    value={value}
    onChange={onChange}
    options={ROLES.filter((given) => mayGive(role, given)).map((given) => ({
      value: given,
      label: ROLE_WORDS[given].name,
    }))}
  />
);
