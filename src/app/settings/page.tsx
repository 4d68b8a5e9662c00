import { SettingsPage } from '@/ui/settings/SettingsPage';

export default function Page() {
  return <SettingsPage />;
}
