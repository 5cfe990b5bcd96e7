import type { DestinationFields } from '@dossier/contract';
import { useRouter } from 'expo-router';
import { SettingsSection } from '@/features/account';
import { problemText } from '@/lib/api';
import { Button, LoadingLines, Notice, Text } from '@/ui';
import { useAddSystemMutation, useChangeSystemMutation, useSystemQuery } from './api';
import { SystemSetUp } from './SystemSetUp';
import { EMPTY_FORM, fieldsIn, formOf } from './systemForm';

/** Another system is set up. */
export function NewSystemScreen() {
  const [add] = useAddSystemMutation();
  const router = useRouter();
  const save = async (fields: DestinationFields) => {
    const { data, error } = await add(fields);
    if (error) return error;
    router.replace(`/settings/systems/${data.id}${fields.to.kind === 'system' ? '/fields' : ''}`);
    return undefined;
  };
  return (
    <SettingsSection title="Other systems" heading="Set a system up">
      <SystemSetUp
        value={EMPTY_FORM}
        fieldsIn={fieldsIn}
        submitWords="Set it up"
        onSubmit={save}
        onCancel={() => router.replace('/settings/systems')}
      />
    </SettingsSection>
  );
}

/** How a system is reached, and when people go there. */
export function ChangeSystemScreen({ systemId }: { systemId: string }) {
  const { data: system, error, refetch } = useSystemQuery(systemId);
  const [change] = useChangeSystemMutation();
  const router = useRouter();
  const leave = () => router.replace(`/settings/systems/${systemId}`);
  if (!system)
    return (
      <SettingsSection title="Other systems">
        {error ? (
          <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
            {problemText(error)}
          </Notice>
        ) : (
          <LoadingLines />
        )}
      </SettingsSection>
    );
  const { form, isShown } = formOf(system);
  const save = async (fields: DestinationFields) => {
    const { error: problem } = await change({ id: systemId, fields });
    if (!problem) leave();
    return problem;
  };
  return (
    <SettingsSection title="Other systems" heading={system.name}>
      {isShown ? null : (
        <Text>
          What is asked of this system was set up by a program, in a way that no form shows. It stays as it is; the rest
          can be changed here.
        </Text>
      )}
      <SystemSetUp
        value={form}
        isAskedShown={isShown}
        hasSecret={system.hasSecret}
        fieldsIn={(changed) => fieldsIn(changed, system)}
        submitWords="Save"
        onSubmit={save}
        onCancel={leave}
      />
    </SettingsSection>
  );
}
