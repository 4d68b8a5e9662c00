import { LogPage } from '@/ui/log/LogPage';

export default async function Page({ params }: PageProps<'/job/[job]/log'>) {
  const { job } = await params;
  return <LogPage jobId={job} />;
}
