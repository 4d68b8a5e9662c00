import { JobPage } from '@/ui/job/JobPage';

export default async function Page({ params }: PageProps<'/job/[job]'>) {
  const { job } = await params;
  return <JobPage jobId={job} />;
}
