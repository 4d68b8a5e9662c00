declare module 'cdt2d' {
  /** Constrained Delaunay triangulation of points and edges; `exterior: false` keeps only triangles inside the edge loop. */
  export default function cdt2d(
    points: ReadonlyArray<readonly [number, number]>,
    edges: ReadonlyArray<readonly [number, number]>,
    options?: { delaunay?: boolean; interior?: boolean; exterior?: boolean },
  ): [number, number, number][];
}
