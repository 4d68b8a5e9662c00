import { SheetRoute } from '@/ui/shelf/SheetRoute';

// Built once; the server hands it out for every address of this form.
export const dynamicParams = false;
export const generateStaticParams = () => [{ sheet: '_' }];

export default function Page() {
  return <SheetRoute />;
}
