import { counted } from '@/lib/counted';
import { Soft } from '@/ui';
import { useOccasionFollowUpQuery } from '../api';

/** How soon the people of an occasion were written to. */
export function OccasionFigures({ occasionId }: { occasionId: string }) {
  const { data } = useOccasionFollowUpQuery(occasionId);
  if (!data || data.people === 0) return null;
  const { people, withinDay, withinWeek, later, never, answered } = data;
  const parts = [
    withinDay > 0 && `${withinDay} within a day`,
    withinWeek > 0 && `${withinWeek} within a week`,
    later > 0 && `${later} later`,
    never > 0 && `${never} never`,
  ].filter(Boolean);
  return (
    <Soft>{`Of ${counted(people, 'person', 'people')} written to: ${parts.join(', ')}. ${answered > 0 ? `${answered} answered.` : 'Nobody answered yet.'}`}</Soft>
  );
}
