import { RepairPage } from '@/ui/repair/RepairPage';

export default async function Page({ params }: PageProps<'/job/[job]/[repair]/[stage]'>) {
  const { job, repair, stage } = await params;
  return <RepairPage jobId={job} repairId={repair} stage={stage} />;
}
