import { OccasionsScreen } from '@/features/capture';
import { OccasionFigures, PlanChoice } from '@/features/followup';

export default function Occasions() {
  return <OccasionsScreen Plan={PlanChoice} Figures={OccasionFigures} />;
}
