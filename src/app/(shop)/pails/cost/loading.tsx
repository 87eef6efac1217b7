/** While each lot of the last weeks is forecast as it was kept and as it should have been. */
export default function Loading() {
  return (
    <section aria-busy="true">
      <h1>What water cost</h1>
      <p role="status" style={{ marginTop: 14 }}>
        Working out every lot of the last eight weeks: as it was kept, and as it should have been …
      </p>
    </section>
  );
}
