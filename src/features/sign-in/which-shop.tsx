import { Button } from '@mantine/core';
import css from './sign-in.module.css';

interface Props {
  readonly shops: readonly { readonly slug: string; readonly name: string; readonly demo: boolean }[];
}

/** Several shops are kept here: whose bench is it? */
export function WhichShop({ shops }: Props) {
  return (
    <main className={css.one}>
      <h1>Hush Pail</h1>
      <div className={css.pad}>
        <h2>{shops.length === 0 ? 'No shop is kept here yet' : 'Which shop?'}</h2>
        {shops.map((s) => (
          <Button key={s.slug} component="a" href={`/sign-in?shop=${s.slug}`} className={css.name}>
            {s.name}
            {s.demo ? ', the demo' : ''}
          </Button>
        ))}
        <OpenMine />
      </div>
    </main>
  );
}

/** The way to a shop of one's own. */
export function OpenMine() {
  return (
    <Button component="a" variant="quiet" href="/open-my-shop">
      Open my shop
    </Button>
  );
}
