import { LinkUsed, type LinkHolder } from '@dossier/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { DoorPage, LinkDoor, useLinkToken } from '@/features/account';
import { tellForm } from '@/lib/formProblem';
import { forgetAnswers } from '@/lib/serviceWorker';
import { Button, Notice } from '@/ui';
import { FormField } from '@/ui/FormField';
import { NewPasswordField } from '@/ui/NewPasswordField';
import { useOpenedLinkQuery, useComeInMutation } from './api';

/** The page behind a link that somebody in charge has given out. */
export function JoinScreen() {
  const token = useLinkToken();
  const { data: holder, ...opening } = useOpenedLinkQuery(token, { skip: token === '' });
  return holder ? (
    <ComeIn token={token} holder={holder} />
  ) : (
    <LinkDoor
      token={token}
      opening={opening}
      ended={<Button onPress={() => globalThis.location.assign('/')}>Sign in</Button>}
    />
  );
}

function ComeIn({ token, holder }: { token: string; holder: LinkHolder }) {
  const isNew = holder.purpose === 'join';
  const [comeIn] = useComeInMutation();
  const [problem, setProblem] = useState<string>();
  const form = useForm({
    resolver: zodResolver(LinkUsed),
    defaultValues: { token, name: holder.name, password: '' },
  });
  const submit = form.handleSubmit(async (used) => {
    const { error } = await comeIn(used);
    if (error) return setProblem(tellForm(form, error));
    // Whoever was signed in here before has gone.
    await forgetAnswers();
    globalThis.location.replace('/tray');
  });
  return (
    <DoorPage
      title={isNew ? `Join ${holder.workspace}` : 'A new password'}
      about={
        isNew
          ? `${holder.madeBy} has invited you. You sign in as ${holder.email}.`
          : `${holder.madeBy} has made this link for ${holder.name}. You sign in as ${holder.email}.`
      }
    >
      {isNew ? <FormField control={form.control} name="name" label="Your name" autoComplete="name" /> : null}
      <NewPasswordField
        control={form.control}
        name="password"

        autoFocus
        onSubmitEditing={() => void submit()}
      />
      {problem ? <Notice fault>{problem}</Notice> : null}
      <Button look="ink" busy={form.formState.isSubmitting} onPress={() => void submit()}>
        {isNew ? 'Join' : 'Set password'}
      </Button>
    </DoorPage>
  );
}
