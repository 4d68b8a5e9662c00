import { RepairRoute } from '@/ui/repair/RepairRoute';

// Built once; the server hands it out for every address of this form.
export const dynamicParams = false;
export const generateStaticParams = () => [{ job: '_', repair: '_', stage: '_' }];

export default function Page() {
  return <RepairRoute />;
}
