import { ShelfPage } from '@/ui/shelf/ShelfPage';

export default function Page() {
  return <ShelfPage />;
}
