import { AskDirectory, HandOverPanel, TakeOutPanel } from '@/features/exchange';
import { NobodyChosen } from '@/features/people';

export default function Nobody() {
  return <NobodyChosen TakeOut={TakeOutPanel} HandOver={HandOverPanel} Ask={AskDirectory} />;
}
