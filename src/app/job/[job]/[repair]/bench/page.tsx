import { BenchPage } from '@/ui/bench/BenchPage';

export default async function Page({ params, searchParams }: PageProps<'/job/[job]/[repair]/bench'>) {
  const { job, repair } = await params;
  const { batch } = await searchParams;
  return <BenchPage jobId={job} repairId={repair} batch={Math.max(0, Number(batch ?? 1) - 1 || 0)} />;
}
