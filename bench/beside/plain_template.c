/* A template as plain Cairo draws it and libpng writes it: what ours is compared with.
   Reads of a file: side (int32), whether the ground is white (int32), line groups (int32); of each: width, red, green, blue (double), lines (int32), and
   x0, y0, x1, y1 of each (double), px. Prints the seconds of drawing and of writing. */
#include <cairo.h>
#include <png.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

enum { BATCH = 300, COMPRESSION = 3 }; /* as ours */

static double now(void) {
  struct timespec at;
  clock_gettime(CLOCK_MONOTONIC, &at);
  return at.tv_sec + at.tv_nsec / 1e9;
}

static void want(size_t got, size_t wanted) {
  if (got != wanted) {
    fputs("the file is cut off\n", stderr);
    exit(1);
  }
}

/* Colours as PNG has them: not multiplied by alpha. */
static void unpremultiply(png_structp png, png_row_infop row, png_bytep bytes) {
  (void)png;
  for (size_t at = 0; at < row->rowbytes; at += 4) {
    unsigned alpha = bytes[at + 3];
    if (alpha == 0 || alpha == 255) continue;
    for (int band = 0; band < 3; band++) bytes[at + band] = (bytes[at + band] * 255 + alpha / 2) / alpha;
  }
}

static void write_png(const char *path, cairo_surface_t *surface, int side, int white) {
  FILE *file = fopen(path, "wb");
  if (!file) exit(1);
  png_structp png = png_create_write_struct(PNG_LIBPNG_VER_STRING, NULL, NULL, NULL);
  png_infop info = png_create_info_struct(png);
  png_init_io(png, file);
  png_set_compression_level(png, COMPRESSION);
  png_set_filter(png, 0, PNG_FILTER_NONE);
  png_set_IHDR(png, info, side, side, 8, PNG_COLOR_TYPE_RGB_ALPHA, PNG_INTERLACE_NONE, PNG_COMPRESSION_TYPE_DEFAULT,
               PNG_FILTER_TYPE_DEFAULT);
  png_write_info(png, info);
  if (!white) png_set_write_user_transform_fn(png, unpremultiply);
  png_set_bgr(png);
  unsigned char *rows = cairo_image_surface_get_data(surface);
  for (int y = 0; y < side; y++) png_write_row(png, rows + (size_t)y * cairo_image_surface_get_stride(surface));
  png_write_end(png, info);
  png_destroy_write_struct(&png, &info);
  fclose(file);
}

int main(int count, char **arguments) {
  if (count != 3) return 2;
  FILE *file = fopen(arguments[1], "rb");
  if (!file) return 1;
  double started = now();
  int32_t side, white, groups;
  want(fread(&side, 4, 1, file) + fread(&white, 4, 1, file) + fread(&groups, 4, 1, file), 3);
  cairo_surface_t *surface = cairo_image_surface_create(CAIRO_FORMAT_ARGB32, side, side);
  cairo_t *context = cairo_create(surface);
  if (white) {
    cairo_set_source_rgb(context, 1, 1, 1);
    cairo_paint(context);
  }
  cairo_set_line_cap(context, CAIRO_LINE_CAP_ROUND);
  for (int group = 0; group < groups; group++) {
    double look[4], line[4];
    int32_t lines;
    want(fread(look, 8, 4, file), 4);
    want(fread(&lines, 4, 1, file), 1);
    cairo_set_line_width(context, look[0]);
    cairo_set_source_rgb(context, look[1], look[2], look[3]);
    for (int k = 1; k <= lines; k++) {
      want(fread(line, 8, 4, file), 4);
      cairo_move_to(context, line[0], line[1]);
      cairo_line_to(context, line[2], line[3]);
      if (k % BATCH == 0 || k == lines) cairo_stroke(context);
    }
  }
  cairo_surface_flush(surface);
  double drawn = now();
  write_png(arguments[2], surface, side, white);
  printf("%.3f %.3f\n", drawn - started, now() - drawn);
  return 0;
}
