/** While the stock is worked out anew, as the hour turns. */
export default function Loading() {
  return (
    <section aria-busy="true">
      <h1>From stock</h1>
      <p role="status" style={{ marginTop: 14 }}>
        Working out how long each lot lasts from now …
      </p>
    </section>
  );
}
