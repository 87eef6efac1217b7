import { LinkButton } from '@/shell/link-button';

export default function NotFound() {
  return (
    <main style={{ maxWidth: 640, margin: '12vh auto', padding: 24 }}>
      <h1>There is nothing here</h1>
      <p style={{ margin: '18px 0' }}>The page has moved, or what it showed belongs to another shop.</p>
      <LinkButton href="/bench">To the bench</LinkButton>
    </main>
  );
}
