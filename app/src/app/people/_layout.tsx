import { AskDirectory, HandOverPanel, TakeOutPanel } from '@/features/exchange';
import { PeopleLayout } from '@/features/people';

export default function People() {
  return <PeopleLayout TakeOut={TakeOutPanel} HandOver={HandOverPanel} Ask={AskDirectory} />;
}
