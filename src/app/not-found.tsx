import { Link } from '../ui/shared/Link';

/** An address that names no view. */
export default function NotFound() {
  return (
    <main id="main" className="p-8 flex flex-col gap-4">
      <h1 className="text-2xl font-bold">There is no such view</h1>
      <p>
        <Link href="/">To the yard</Link>
      </p>
    </main>
  );
}
