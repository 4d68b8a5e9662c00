import { SheetPage } from '@/ui/shelf/SheetPage';

export default async function Page({ params }: PageProps<'/shelf/[sheet]'>) {
  const { sheet } = await params;
  return <SheetPage sheetId={sheet} />;
}
