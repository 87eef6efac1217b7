import { Box, Button } from '@mantine/core';

/** A name to tap: as large as it can be. */
export const NAME = { mih: 72, fz: '1.5rem', fw: 650, justify: 'flex-start', pl: 'lg' } as const;

interface Props {
  readonly shops: readonly { readonly slug: string; readonly name: string; readonly demo: boolean }[];
}

/** Several shops are kept here: whose bench is it? */
export function WhichShop({ shops }: Props) {
  return (
    <Box component="main" maw="30rem" m="12vh auto 0" p="1.75rem">
      <h1>Hush Pail</h1>
      <div className="stack">
        <h2>{shops.length === 0 ? 'No shop is kept here yet' : 'Which shop?'}</h2>
        {shops.map((s) => (
          <Button key={s.slug} component="a" href={`/sign-in?shop=${s.slug}`} {...NAME}>
            {s.name}
            {s.demo ? ', the demo' : ''}
          </Button>
        ))}
        <OpenMine />
      </div>
    </Box>
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
