import { RunPage } from '@/ui/run/RunPage';

export default async function Page({ params }: PageProps<'/job/[job]/[repair]/run'>) {
  const { job, repair } = await params;
  return <RunPage jobId={job} repairId={repair} />;
}
