import { useSessionQuery } from './api';
import { FilingSettings } from './FilingSettings';
import { NotificationSetting } from './NotificationSetting';
import { OwnFieldsSetting } from './OwnFieldsSetting';
import { PictureSettings } from './PictureSettings';
import { ReadingSettings } from './ReadingSettings';
import { SettingsSection } from './SettingsSection';

const useWorkspace = () => useSessionQuery().data?.workspace;

export function ReadingSection() {
  const workspace = useWorkspace();
  return (
    <SettingsSection title="Reading">
      {workspace ? <ReadingSettings country={workspace.country} languages={workspace.languages} /> : null}
    </SettingsSection>
  );
}

export function PicturesSection() {
  const workspace = useWorkspace();
  if (!workspace) return null;
  const { keepPictures, keepDays, clearAt } = workspace;
  return (
    <SettingsSection title="Pictures">
      <PictureSettings keepPictures={keepPictures} keepDays={keepDays} clearAt={clearAt} />
    </SettingsSection>
  );
}

export function FilingSection() {
  return (
    <SettingsSection title="Filing">
      <FilingSettings />
    </SettingsSection>
  );
}

export function OwnFieldsSection() {
  const workspace = useWorkspace();
  return (
    <SettingsSection title="Own fields">
      {workspace ? <OwnFieldsSetting names={workspace.ownFields} /> : null}
    </SettingsSection>
  );
}

export function DeviceSection() {
  return (
    <SettingsSection title="This device">
      <NotificationSetting />
    </SettingsSection>
  );
}
