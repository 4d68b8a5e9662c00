import { FORMS } from './routes.mjs';

/** @type {import('next').NextConfig} */
export default {
  reactStrictMode: true,
  devIndicators: false,
  poweredByHeader: false,
  // Where types were checked a moment ago, with the tests in them, the build does not check them again.
  typescript: { ignoreBuildErrors: process.env.GRENKO_TYPES === 'checked' },
  // The demo and the tests build into folders of their own, so that neither spoils the other's output.
  distDir: process.env.GRENKO_DIST ?? '.next',
  // Starts threads by the paths of its own files.
  serverExternalPackages: ['piscina'],
  // Every page is static: the data is the browser's. One page serves all addresses of its form.
  async rewrites() {
    return {
      // A rewritten address is looked at again by the forms that follow: the views that have a page of their own are no stage.
      beforeFiles: FORMS.map(({ source, page }) => ({
        source: source.replace(/:\w+/g, (name) => `${name}(${name === ':stage' ? '(?!run$|bench$)' : ''}[^/]+)`),
        destination: page,
      })),
    };
  },
};
