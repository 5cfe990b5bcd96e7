import { useLocalSearchParams } from 'expo-router';
import { TemplateScreen } from '@/features/followup';

export default function Template() {
  const { templateId } = useLocalSearchParams<{ templateId: string }>();
  return <TemplateScreen key={templateId} templateId={templateId} />;
}
