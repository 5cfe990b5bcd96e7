import type { Occasion } from '@dossier/contract';
import { useState, type ComponentProps, type ComponentType } from 'react';
import { Pressable, View } from 'react-native';
import { useSessionQuery } from '@/features/account';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { Button, EmptyState, Heading, LoadingLines, Notice, Page, Serif, Soft } from '@/ui';
import { OccasionForm } from './OccasionForm';
import { useOccasions, whereAndWhen } from './useOccasions';

interface Lent {
  /** The plan that follows, and how soon people were written to: lent by the room that follows up. */
  Plan: NonNullable<ComponentProps<typeof OccasionForm>['Plan']>;
  Figures: ComponentType<{ occasionId: string }>;
}

/** All occasions of the workspace, to be made and changed. */
export function OccasionsScreen(lent: Lent) {
  const { data: session } = useSessionQuery();
  return session ? <Occasions accountId={session.user.id} {...lent} /> : null;
}

function Occasions({ accountId, Plan, Figures }: Lent & { accountId: string }) {
  const { items, save, error, isLoading } = useOccasions(accountId);
  const [openId, setOpenId] = useState<string>();
  const keep = async (fields: Parameters<typeof save>[0], id?: string) => {
    const { answer } = await save(fields, id);
    if (typeof answer === 'object') return answer.refusal;
    setOpenId(undefined);
    return undefined;
  };
  return (
    <Page measure={640}>
      <View className="gap-4">
        <View className="flex-row flex-wrap items-center justify-between gap-3">
          <Heading>Occasions</Heading>
          {openId === 'new' ? null : (
            <Button look="ink" onPress={() => setOpenId('new')}>
              New occasion
            </Button>
          )}
        </View>
        {openId === 'new' ? <OccasionForm Plan={Plan} onSave={keep} onCancel={() => setOpenId(undefined)} /> : null}
        {error ? <Notice fault>{problemText(error)}</Notice> : null}
        {isLoading ? <LoadingLines lines={3} /> : null}
        {!isLoading && !error && items.length === 0 && openId !== 'new' ? (
          <EmptyState title="No occasion yet">
            A fair, a visit day, a route: set where cards come from, and each one inherits its tags, owner and kind.
          </EmptyState>
        ) : null}
        {items.map((occasion) =>
          openId === occasion.id ? (
            <View key={occasion.id} className="border-b border-rule pb-6 pt-2">
              <OccasionForm
                occasion={occasion}
                Plan={Plan}
                onSave={(fields) => keep(fields, occasion.id)}
                onCancel={() => setOpenId(undefined)}
              />
            </View>
          ) : (
            <OccasionLine
              key={occasion.id}
              occasion={occasion}
              Figures={Figures}
              onPress={() => setOpenId(occasion.id)}
            />
          ),
        )}
      </View>
    </Page>
  );
}

const OccasionLine = ({
  occasion,
  Figures,
  onPress,
}: Pick<Lent, 'Figures'> & { occasion: Occasion; onPress: () => void }) => (
  <Pressable
    role="button"
    aria-label={`Change ${occasion.name}`}
    onPress={onPress}
    className="gap-[2px] border-b border-rule py-3 hover:bg-table"
  >
    <Serif className={occasion.closed ? 'text-soft' : ''}>{occasion.name}</Serif>
    <Soft>{[whereAndWhen(occasion), occasion.closed ? 'over' : ''].filter(Boolean).join(' · ')}</Soft>
    <Soft className="tabular">{countsOf(occasion)}</Soft>
    <Figures occasionId={occasion.id} />
    {occasion.tags.length > 0 ? <Soft>{occasion.tags.join(', ')}</Soft> : null}
  </Pressable>
);

function countsOf({ inTray, filed }: Occasion): string {
  return `${counted(inTray, 'card')} in the tray · ${counted(filed, 'person', 'people')} filed`;
}
