import { LinkUsed, type LinkHolder } from '@dossier/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { DoorPage } from '@/features/account';
import { hasStatus, problemText } from '@/lib/api';
import { tellForm } from '@/lib/formProblem';
import { forgetAnswers } from '@/lib/serviceWorker';
import { Button, LoadingLines, Notice } from '@/ui';
import { FormField } from '@/ui/FormField';
import { NewPasswordField } from '@/ui/NewPasswordField';
import { useOpenedLinkQuery, useComeInMutation } from './api';

/** What opens the link stands behind its #: it is sent nowhere but in the request below. */
const tokenOfAddress = (): string => globalThis.location?.hash.slice(1) ?? '';

/** The page behind a link that somebody in charge has given out. */
export function JoinScreen() {
  const [token] = useState(tokenOfAddress);
  const { data: holder, error, isLoading, refetch } = useOpenedLinkQuery(token, { skip: token === '' });
  if (holder) return <ComeIn token={token} holder={holder} />;
  if (isLoading)
    return (
      <DoorPage title="One moment" about="Looking at your link.">
        <LoadingLines lines={2} />
      </DoorPage>
    );
  const isOver = token === '' || hasStatus(error, 410) || hasStatus(error, 400);
  return (
    <DoorPage
      title={isOver ? 'This link has ended' : 'Dossier cannot be reached'}
      about={
        token === '' ? 'This link is not whole. Open it again as you got it, or ask for a new one.' : problemText(error)
      }
    >
      {isOver ? (
        <Button onPress={() => globalThis.location.assign('/')}>Sign in</Button>
      ) : (
        <Button onPress={() => void refetch()}>Try again</Button>
      )}
    </DoorPage>
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
