import { View } from 'react-native';
import { Notice, Subheading, Toggle } from '@/ui';
import { usePlansQuery } from '../api';
import { RehearsedSteps } from './RehearsedSteps';

interface Props {
  planId: string;
  /** ISO 3166, or as it is written. */
  country: string;
  /** Whether somebody has noted that they may be written to. */
  hasConsent: boolean;
  isLeftOut: boolean;
  onLeaveOut: (isLeftOut: boolean) => void;
}

/** What goes out, and when, once a card is filed; with one touch it is left out. */
export function PlanAtFiling({ planId, country, hasConsent, isLeftOut, onLeaveOut }: Props) {
  const { data } = usePlansQuery();
  const plan = data?.items.find(({ id }) => id === planId);
  if (!plan?.isOn) return null;
  const writes = plan.steps.some(({ act }) => act.do === 'message');
  return (
    <View className="gap-2">
      <Subheading>What follows</Subheading>
      <Toggle label={`${plan.name} begins once this is filed`} on={!isLeftOut} onChange={(on) => onLeaveOut(!on)} />
      {isLeftOut ? null : (
        <>
          <RehearsedSteps planId={planId} request={{ country }} />
          {writes && !hasConsent ? (
            <Notice>Nothing is sent until it is noted that they agree to e-mails.</Notice>
          ) : null}
        </>
      )}
    </View>
  );
}
