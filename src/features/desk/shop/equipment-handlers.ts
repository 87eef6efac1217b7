import 'server-only';
import type { shopActions } from '@/core/actions/shop';
import { m } from '@/core/words/message';
import type { Trx } from '@/data/connection';
import { insertDevice, retireDevice } from '@/data/devices';
import { writeEntry } from '@/data/record';
import { setLossesByPerson, setShopPrinting, shopPrinting } from '@/data/shops';
import { insertTool, oneTool, retireTool } from '@/data/tools';
import { maybeTap, setTap } from '@/data/tap';
import type { ActionContext, Handlers } from '@/server/handler';

const enterThing = (
  trx: Trx,
  action: ActionContext['action'],
  says: ReturnType<typeof m>,
): Promise<unknown> =>
  writeEntry(trx, action, {
    kind: 'shop',
    subjectKind: 'house',
    subjectId: action.shopId,
    says,
    detail: { was: {} },
  });

/** What stands in the shop besides its pails: what is cleaned on a clock, what reads by itself, its tap, its printers. */
export const equipmentHandlers: Pick<
  Handlers<keyof typeof shopActions>,
  | 'shop/add-device'
  | 'shop/retire-device'
  | 'shop/add-tool'
  | 'shop/retire-tool'
  | 'shop/losses-by-person'
  | 'shop/tap'
  | 'shop/printers'
> = {
  'shop/add-device': {
    work: async ({ trx, action }, { name, kind }) => {
      const { shopId, personId, at } = action;
      const deviceId = await insertDevice(trx, shopId, { name, kind, addedBy: personId, at });
      await enterThing(trx, action, m('record.device', { name }));
      return { deviceId };
    },
  },
  'shop/retire-device': {
    work: async ({ trx, action }, { deviceId }) => {
      const { name } = await retireDevice(trx, deviceId, action.at);
      await enterThing(trx, action, m('record.device.gone', { name }));
      return null;
    },
  },
  'shop/add-tool': {
    work: async ({ trx, action }, { name, kind, everyH }) => {
      const toolId = await insertTool(trx, action.shopId, { name, kind, everyH, addedAt: action.at });
      await enterThing(trx, action, m('record.tool', { name, n: everyH }));
      return { toolId };
    },
  },
  'shop/retire-tool': {
    work: async ({ trx, action }, { toolId }) => {
      const { name } = await oneTool(trx, toolId);
      await retireTool(trx, toolId, action.at);
      await enterThing(trx, action, m('record.tool.gone', { name }));
      return null;
    },
  },
  'shop/tap': {
    work: async ({ trx, action }, { tap }) => {
      const was = await maybeTap(trx);
      await setTap(trx, action.shopId, tap);
      await writeEntry(trx, action, {
        kind: 'shop',
        subjectKind: 'house',
        subjectId: action.shopId,
        says: tap ? m('record.tap', { ph: tap.ph, us: tap.us }) : m('record.tap.gone'),
        detail: { was: { ph: was?.ph ?? '', us: was?.us ?? '' } },
      });
      return null;
    },
  },
  'shop/losses-by-person': {
    work: async ({ trx, action }, { isTold }) => {
      await setLossesByPerson(trx, action.shopId, isTold);
      await enterThing(trx, action, m(isTold ? 'record.losses.by-person' : 'record.losses.by-nobody'));
      return null;
    },
  },
  'shop/printers': {
    work: async ({ trx, action }, printing) => {
      const was = await shopPrinting(trx);
      await setShopPrinting(trx, action.shopId, printing);
      const { documents, cards, labels } = printing;
      await writeEntry(trx, action, {
        kind: 'shop',
        subjectKind: 'house',
        subjectId: action.shopId,
        says: labels
          ? m('record.printers.roll', { documents, cards, wide: labels.widthMm, tall: labels.heightMm })
          : m('record.printers', { documents, cards }),
        detail: {
          was: {
            documents: was.documents,
            cards: was.cards,
            labels: was.labels ? `${was.labels.widthMm} × ${was.labels.heightMm} mm` : '',
          },
        },
      });
      return null;
    },
  },
};
