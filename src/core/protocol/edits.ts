import * as v from 'valibot';
import {
  someParamsSchema,
  STEP_KINDS,
  stepParamsSchema,
  type StepKind,
  type StepParams,
} from '../steps/steps';

/** A shop's change to a species' protocol. */
export type ProtocolEdit =
  | {
      readonly op: 'change';
      readonly kind: StepKind;
      readonly params?: Readonly<Record<string, unknown>> | undefined;
      readonly title?: string | undefined;
      readonly reason: string;
    }
  | { readonly op: 'leave out'; readonly kind: StepKind; readonly reason: string }
  | {
      readonly op: 'add';
      /** It comes after the first step of this kind; at the start where the protocol has none. */
      readonly after: StepKind;
      readonly step: StepParams;
      readonly title?: string | undefined;
      readonly reason: string;
    };

const kind = v.picklist(STEP_KINDS, `must be one of ${STEP_KINDS.join(', ')}`);
const words = (most: number) =>
  v.pipe(
    v.string('must be words'),
    v.trim(),
    v.minLength(3, 'says it in a few words'),
    v.maxLength(most, `is longer than ${most} characters`),
  );
const title = v.optional(words(90));
const reason = words(200);

/** One edit; parameters of a change must be ones its kind has. */
export const protocolEditSchema = v.pipe(
  v.variant(
    'op',
    [
      v.strictObject({
        op: v.literal('change'),
        kind,
        params: v.optional(v.record(v.string(), v.unknown())),
        title,
        reason,
      }),
      v.strictObject({ op: v.literal('leave out'), kind, reason }),
      v.strictObject({ op: v.literal('add'), after: kind, step: stepParamsSchema, title, reason }),
    ],
    'must be one of change, leave out, add',
  ),
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed || dataset.value.op !== 'change' || !dataset.value.params) return;
    const found = v.safeParse(someParamsSchema(dataset.value.kind), dataset.value.params);
    if (found.success) return;
    for (const issue of found.issues)
      addIssue({
        message: `params.${issue.path?.map((p) => String(p.key)).join('.') ?? ''} ${issue.message}`,
      });
  }),
);
export const protocolEditsSchema = v.pipe(
  v.array(protocolEditSchema, 'must be a list of edits'),
  v.maxLength(40, 'takes at most 40 edits'),
);
