/*
 * The model's hour of a stem as a plain loop: every stem of every draw, every hour to its end, nothing skipped.
 * The yardstick of `npm run bench`. Reads lines, their hours and their stems, all doubles; prints the
 * milliseconds of the fastest of five runs and the hours that stems stood.
 */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

enum { AGEING, AGEING_DRY, OPENING, OPENING_DRY, DEMAND, PPM, PLUGGING, HALF_LIFE, SUPPLY, PLUG_KEPT, AIR_KEPT, WET, FILLED, COLUMNS };
enum { DRAWS, LINES, HOURS, FULL_ML, KEPT_ML, GIVES, ML_PER_UNIT, THIRST_FROM, THIRST_WIDTH, THIRST_PER_W, LIMP, LIMP_OPENING,
       REFILL, REFILL_MOST, DRAIN, WILTING_HOURS, COLLAPSE, GAS_HALF, DRY_DRAIN, DRY_AIR_HOURS, HEAD };
enum { STEMS, GAS_GAIN, IS_GIVING, DRY_HOURS, CHILLED_AT, LINE };
typedef struct { double life, plug, wilts, aged, stage, air, water, flow, thirst, gas, wilting, kept, keptFor, end; } Stem;
#define READ_OF_STEM 7

static inline double least(double a, double b) { return a < b ? a : b; }
static inline double most(double a, double b) { return a > b ? a : b; }

static double *head, *lineOf[64], *columns[64][COLUMNS];
static inline double col(int line, int column, int hour) { return columns[line][column][hour]; }

/* One hour of one stem. Returns what it drank; sets its end. */
static inline double step(Stem *s, int l, int h, double ppm, int wet) {
  double plugKept = col(l, PLUG_KEPT, h), airKept = col(l, AIR_KEPT, h), demand = col(l, DEMAND, h), drunk = 0;
  s->flow = 1 - (1 - s->flow) * plugKept;
  s->air *= airKept;
  double gas = ppm > 0 ? 1 + lineOf[l][GAS_GAIN] * ppm / (ppm + head[GAS_HALF]) : 1;
  double ageing = (wet ? col(l, AGEING, h) : col(l, AGEING_DRY, h)) * gas, aged = ageing;
  if (s->water < head[THIRST_FROM]) {
    double thirst = ageing * head[THIRST_PER_W] * least(2 * head[THIRST_WIDTH], head[THIRST_FROM] - s->water);
    aged += thirst;
    s->thirst += thirst;
  }
  if (gas > 1) s->gas += aged * (1 - 1 / gas);
  double before = s->aged;
  s->aged += aged;
  double opening = wet ? col(l, OPENING, h) : col(l, OPENING_DRY, h);
  if (s->stage < 1) s->stage = least(1, s->stage + (s->water > head[LIMP] ? opening : opening * head[LIMP_OPENING]));
  if (wet) {
    double taken = col(l, PLUGGING, h) * s->plug, half = col(l, HALF_LIFE, h);
    s->flow *= 1 - least(1, taken);
    if (half != s->keptFor) {
      s->keptFor = half;
      s->kept = pow(0.5, 1 / (s->plug * s->plug * half));
    }
    s->air *= s->kept;
    double supply = col(l, SUPPLY, h) * s->flow * (1 - s->air);
    if (supply >= demand) s->water += least(head[REFILL] * (1 - s->water), head[REFILL_MOST]);
    else s->water -= head[DRAIN] * (demand - supply);
    drunk = least(supply, demand);
    s->wilting = s->water < s->wilts ? s->wilting + 1 : 0;
  } else {
    s->water -= head[DRY_DRAIN] * demand / lineOf[l][DRY_HOURS];
    s->air += (1 - s->air) * least(1, least(2, demand) / (head[DRY_AIR_HOURS] * lineOf[l][DRY_HOURS]));
    s->wilting = 0;
  }
  if (s->aged >= s->life) s->end = h + least(1, most(0, (s->life - before) / aged));
  else if (h + 1 >= lineOf[l][CHILLED_AT] || s->wilting >= head[WILTING_HOURS] || s->water < head[COLLAPSE]) s->end = h + 1;
  return drunk;
}

static void draw(Stem *stems) {
  int lines = (int)head[LINES], hours = (int)head[HOURS] - 1, standing = 0;
  double level = head[FULL_ML], gasPpm = 0;
  for (int l = 0; l < lines; l++) standing += (int)lineOf[l][STEMS];
  for (int h = 0; h < hours && standing > 0; h++) {
    if (col(0, FILLED, h) == 1) level = head[FULL_ML];
    double drunk = 0, giving = 0;
    Stem *s = stems;
    for (int l = 0; l < lines; l++) {
      int wet = col(l, WET, h) == 1 && level > head[KEPT_ML];
      for (int i = 0; i < (int)lineOf[l][STEMS]; i++, s++) {
        if (s->end >= 0) continue;
        drunk += step(s, l, h, col(l, PPM, h) + gasPpm, wet);
        if (s->end < 0) continue;
        standing--;
        giving += lineOf[l][IS_GIVING];
      }
    }
    gasPpm += giving * head[GIVES];
    level = most(head[KEPT_ML], level - drunk * head[ML_PER_UNIT]);
  }
}

int main(int argc, char **argv) {
  FILE *file = argc > 1 ? fopen(argv[1], "rb") : NULL;
  if (!file) return 2;
  fseek(file, 0, SEEK_END);
  size_t bytes = (size_t)ftell(file);
  rewind(file);
  double *all = malloc(bytes);
  if (!all || fread(all, 1, bytes, file) != bytes) return 2;
  head = all;
  double *at = all + HEAD;
  size_t each = 0;
  for (int l = 0; l < (int)head[LINES]; l++) {
    lineOf[l] = at;
    for (int c = 0; c < COLUMNS; c++) columns[l][c] = at + LINE + (size_t)c * (size_t)head[HOURS];
    at += LINE + COLUMNS * (size_t)head[HOURS];
    each += (size_t)lineOf[l][STEMS];
  }
  size_t count = each * (size_t)head[DRAWS];
  Stem *stems = malloc(count * sizeof(Stem));
  double best = INFINITY, stood = 0;
  for (int run = 0; run < 5; run++) {
    for (size_t i = 0; i < count; i++) {
      Stem s = { .flow = 1, .end = -1 };
      memcpy(&s, at + i * READ_OF_STEM, READ_OF_STEM * sizeof(double));
      stems[i] = s;
    }
    struct timespec from, to;
    clock_gettime(CLOCK_MONOTONIC, &from);
    for (int d = 0; d < (int)head[DRAWS]; d++) draw(stems + (size_t)d * each);
    clock_gettime(CLOCK_MONOTONIC, &to);
    best = least(best, (to.tv_sec - from.tv_sec) * 1e3 + (to.tv_nsec - from.tv_nsec) / 1e6);
  }
  for (size_t i = 0; i < count; i++) stood += stems[i].end < 0 ? head[HOURS] - 1 : stems[i].end;
  printf("{\"ms\":%.3f,\"stemHours\":%.3f}\n", best, stood);
  return 0;
}
