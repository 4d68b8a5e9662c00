import { CardPage } from '@/ui/card/CardPage';

export default async function Page({ params }: PageProps<'/job/[job]/card'>) {
  const { job } = await params;
  return <CardPage jobId={job} />;
}
