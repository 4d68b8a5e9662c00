import { LearnedPage } from '@/ui/learned/LearnedPage';

export default function Page() {
  return <LearnedPage />;
}
