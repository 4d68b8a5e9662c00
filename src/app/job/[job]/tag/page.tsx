import { TagRoute } from '@/ui/report/TagRoute';

// Built once; the server hands it out for every address of this form.
export const dynamicParams = false;
export const generateStaticParams = () => [{ job: '_' }];

export default function Page() {
  return <TagRoute />;
}
