/**
 * Quantile of the standard normal: Acklam's rational approximation with one step of Halley's method
 * on the complementary error function, accurate to about 1e-12 between 1e-12 and 1 − 1e-12.
 * @param share 0 to 1, both excluded
 * @returns the value under which that share lies; NaN outside the domain
 */
export function normalQuantile(share: number): number {
  if (!(share > 0 && share < 1)) return NaN;
  if (share === 0.5) return 0;
  const x = share < 0.5 ? -tail(share) : tail(1 - share);
  // Halley's step takes what the approximation leaves over (its relative error is under 1.2e-9).
  const error = normalShare(x) - share;
  const step = error * Math.sqrt(2 * Math.PI) * Math.exp((x * x) / 2);
  return x - step / (1 + (x * step) / 2);
}

function polynomial(coefficients: readonly number[], at: number): number {
  return coefficients.reduce((sum, c) => sum * at + c, 0);
}

const A = [
  -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716,
  2.506628277459239,
];
const B = [
  -54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572, 1,
];
const C = [
  -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968,
  2.938163982698783,
];
const D = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416, 1];

/** The approximation for an upper tail of at most a half. */
function tail(share: number): number {
  if (share < 0.02425) {
    const q = Math.sqrt(-2 * Math.log(share));
    return -polynomial(C, q) / polynomial(D, q);
  }
  const q = 0.5 - share;
  return (q * polynomial(A, q * q)) / polynomial(B, q * q);
}

/** Share of the standard normal under `x`, by the continued fraction or series of the error function. */
export function normalShare(x: number): number {
  const z = Math.abs(x);
  if (z > 38) return x > 0 ? 1 : 0;
  const density = Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI);
  let upper: number;
  if (z < 3) {
    let term = z;
    let sum = z;
    for (let n = 1; Math.abs(term) > 1e-17 * sum && n < 200; n++) {
      term *= (z * z) / (2 * n + 1);
      sum += term;
    }
    upper = 0.5 - density * sum;
  } else {
    let fraction = 0;
    for (let n = 60; n > 0; n--) fraction = n / (z + fraction);
    upper = density / (z + fraction);
  }
  return x > 0 ? 1 - upper : upper;
}
