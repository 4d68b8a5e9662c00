/** Types of the part we use. The package ships its sources as types, and those do not pass our stricter checks. */
export default class Constrainautor {
  constructor(triangulation: { triangles: Uint32Array; halfedges: Int32Array; coords: ArrayLike<number> });
  /** Forces the edges, pairs of point indices, into the triangulation by flipping. */
  constrainAll(edges: readonly (readonly [number, number])[]): this;
}
