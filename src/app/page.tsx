import { Yard } from '@/ui/yard/Yard';

export default function Page() {
  return <Yard />;
}
