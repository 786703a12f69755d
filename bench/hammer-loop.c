/* The inner loop of a transient (core/hammer/loop.ts, advanceHere) as a compiler makes it: what the same work takes without the engine of a page. */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

#define LAST_STEP 512

static double advance(int n, const double *right, const double *left, double *nextRight, double *nextLeft, const double *resist,
                      double *high, double *low) {
  double least = INFINITY, r0 = right[0], r1 = right[1], l1 = left[1];
  double f = resist[0] * (r0 - left[0] + r1 - l1);
  nextLeft[0] = l1 + f;
  for (int i = 1; i < n; i++)
    {
      double arrives = r0 - f, here = r1 - l1;
      r0 = r1;
      r1 = right[i + 1];
      l1 = left[i + 1];
      f = resist[i] * (here + r1 - l1);
      double back = l1 + f, twice = arrives + back;
      nextRight[i] = arrives;
      nextLeft[i] = back;
      if (twice > high[i]) high[i] = twice;
      if (twice < low[i]) low[i] = twice;
      if (twice < least) least = twice;
    }
  nextRight[n] = r0 - f;
  return least;
}

/* Friction by the flow of now (core/hammer/loop.ts, renewHere). */
static void renew(int n, const double *right, const double *left, double *resist, const double *friction, double perPa) {
  for (int i = 0; i < n; i++) {
    double d = fabs(right[i] - left[i] + right[i + 1] - left[i + 1]), x = fmax(1e-6, d * perPa);
    int k = x < LAST_STEP ? (int)x : LAST_STEP;
    resist[i] = (friction[k] + (x - k) * (friction[k + 1] - friction[k])) * perPa / x;
  }
}

/* reaches, steps, impedance, supply Pa, flow m3/s, friction of a reach at even steps of flow from standard input */
int main(int argc, char **argv) {
  int n = atoi(argv[1]), steps = atoi(argv[2]);
  double z = atof(argv[3]), supply = atof(argv[4]), flow = atof(argv[5]), stepFlow = atof(argv[6]);
  double friction[LAST_STEP + 2], *v[7];
  for (int i = 0; i < LAST_STEP + 2; i++)
    if (scanf("%lf", &friction[i]) != 1) return 1;
  for (int k = 0; k < 7; k++) v[k] = malloc((n + 1) * sizeof(double));
  double lost = friction[LAST_STEP / 2], perPa = 1 / (4 * z * stepFlow);
  for (int i = 0; i <= n; i++) {
    double p = supply - i * lost;
    v[0][i] = p + z * flow;
    v[1][i] = p - z * flow;
    v[4][i] = v[5][i] = 2 * p;
  }
  clock_t began = clock();
  double sum = 0;
  for (int s = 0; s < steps; s++) {
    if (s % 4 == 0) renew(n, v[0], v[1], v[6], friction, perPa);
    sum += advance(n, v[0], v[1], v[2], v[3], v[6], v[4], v[5]);
    v[2][0] = 2 * supply - v[3][0];
    v[3][n] = v[2][n];
    double *swap = v[0];
    v[0] = v[2];
    v[2] = swap;
    swap = v[1];
    v[1] = v[3];
    v[3] = swap;
  }
  double seconds = (double)(clock() - began) / CLOCKS_PER_SEC;
  printf("%.6f %.9e %.9e\n", seconds, v[0][n], sum);
  return 0;
}
