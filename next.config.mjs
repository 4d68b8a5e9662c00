/** @type {import('next').NextConfig} */
export default {
  reactStrictMode: true,
  devIndicators: false,
  poweredByHeader: false,
  // The demo and the tests build into folders of their own, so that neither spoils the other's output.
  distDir: process.env.GRENKO_DIST ?? '.next',
};
