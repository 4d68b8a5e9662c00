import { BenchRoute } from '@/ui/bench/BenchRoute';

// Built once; the server hands it out for every address of this form.
export const dynamicParams = false;
export const generateStaticParams = () => [{ job: '_', repair: '_' }];

export default function Page() {
  return <BenchRoute />;
}
