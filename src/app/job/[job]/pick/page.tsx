import { PickPage } from '@/ui/pick/PickPage';

export default async function Page({ params }: PageProps<'/job/[job]/pick'>) {
  const { job } = await params;
  return <PickPage jobId={job} />;
}
