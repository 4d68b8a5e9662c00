import { Suspense } from 'react';
import { LabPage } from '@/ui/lab/LabPage';

export default function Page() {
  return (
    <Suspense>
      <LabPage />
    </Suspense>
  );
}
