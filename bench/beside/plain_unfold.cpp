// The same unfolding in plain C++: a convex map, then steps of the reweighted symmetric Dirichlet energy down to a set
// mean, each cut short before a triangle collapses; CHOLMOD is asked as it is meant to be, its analysis kept.
// Source: Rabinovich, Poranne, Panozzo, Sorkine-Hornung, "Scalable Locally Injective Mappings", ACM TOG 36, 2017.
// Reads of a file: vertices, triangles (int32), positions (3 doubles each), corners (3 int32 each), the mean energy
// less 4 to come down to (double). Prints the seconds, the steps and the mean energy less 4.
#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdint>
#include <cstdio>
#include <map>
#include <suitesparse/cholmod.h>
#include <vector>
using std::vector;

struct Sparse {
  cholmod_common c;
  cholmod_sparse *matrix = nullptr;
  cholmod_factor *factor = nullptr;
  int n;
  vector<uint64_t> keys; // column and row of the entries of the upper triangle

  explicit Sparse(int size) : n(size) { cholmod_start(&c); }
  static uint64_t key(int row, int column) { return ((uint64_t)std::max(row, column) << 32) | std::min(row, column); }
  void entry(int row, int column) { keys.push_back(key(row, column)); }
  void build() {
    std::sort(keys.begin(), keys.end());
    keys.erase(std::unique(keys.begin(), keys.end()), keys.end());
    matrix = cholmod_allocate_sparse(n, n, keys.size(), 1, 1, 1, CHOLMOD_REAL, &c);
    int *p = (int *)matrix->p, *i = (int *)matrix->i, column = 0;
    p[0] = 0;
    for (size_t k = 0; k < keys.size(); k++) {
      while (column < (int)(keys[k] >> 32)) p[++column] = k;
      i[k] = keys[k] & 0xffffffff;
    }
    while (column < n) p[++column] = keys.size();
    factor = cholmod_analyze(matrix, &c);
  }
  int place(int row, int column) { return std::lower_bound(keys.begin(), keys.end(), key(row, column)) - keys.begin(); }
  double *values() { return (double *)matrix->x; }
  void factorize() { cholmod_factorize(matrix, factor, &c); }
  vector<double> solve(const vector<double> &right) {
    cholmod_dense b = {(size_t)n, 1, (size_t)n, (size_t)n, (void *)right.data(), nullptr, CHOLMOD_REAL, CHOLMOD_DOUBLE};
    cholmod_dense *x = cholmod_solve(CHOLMOD_A, factor, &b, &c);
    vector<double> found((double *)x->x, (double *)x->x + n);
    cholmod_free_dense(&x, &c);
    return found;
  }
};

struct Triangle {
  int v[3];
  double area, across[3], up[3]; // how a value at each corner changes a value's slopes
};

int n, t;
vector<double> position;
vector<Triangle> triangles;

void lay_triangles() {
  for (auto &own : triangles) {
    const double *a = &position[3 * own.v[0]], *b = &position[3 * own.v[1]], *c = &position[3 * own.v[2]];
    double e[3], f[3], length = 0, along = 0, square = 0;
    for (int k = 0; k < 3; k++) e[k] = b[k] - a[k], f[k] = c[k] - a[k], length += e[k] * e[k];
    length = sqrt(length);
    for (int k = 0; k < 3; k++) along += f[k] * e[k] / length, square += f[k] * f[k];
    double high = sqrt(std::max(square - along * along, 0.0));
    own.area = length * high / 2;
    double x[3] = {0, length, along}, y[3] = {0, 0, high};
    for (int k = 0; k < 3; k++) {
      int l = (k + 1) % 3, m = (k + 2) % 3;
      own.across[k] = (y[l] - y[m]) / (2 * own.area);
      own.up[k] = (x[m] - x[l]) / (2 * own.area);
    }
  }
}

// The border on a circle, by its lengths; each inner vertex in the middle of its neighbours.
vector<double> convex() {
  std::map<std::pair<int, int>, int> edges;
  for (auto &own : triangles)
    for (int k = 0; k < 3; k++) edges[{own.v[k], own.v[(k + 1) % 3]}] = 1;
  std::map<int, int> next;
  for (auto &own : edges)
    if (!edges.count({own.first.second, own.first.first})) next[own.first.first] = own.first.second;
  vector<int> border;
  for (int v = next.begin()->first; border.empty() || v != border[0]; v = next[v]) border.push_back(v);
  auto distance = [](int a, int b) {
    double sum = 0;
    for (int k = 0; k < 3; k++) sum += pow(position[3 * a + k] - position[3 * b + k], 2);
    return sqrt(sum);
  };
  double round = 0, far = 0, area = 0;
  for (size_t i = 0; i < border.size(); i++) round += distance(border[i], border[(i + 1) % border.size()]);
  for (auto &own : triangles) area += own.area;
  vector<double> places(2 * n, 0.0);
  vector<char> held(n, 0);
  for (size_t i = 0; i < border.size(); i++) {
    double angle = far / round * 2 * M_PI, reach = sqrt(area / M_PI);
    places[border[i]] = reach * cos(angle), places[n + border[i]] = reach * sin(angle), held[border[i]] = 1;
    far += distance(border[i], border[(i + 1) % border.size()]);
  }
  Sparse system(n);
  for (int v = 0; v < n; v++) system.entry(v, v);
  for (auto &own : edges)
    if (!held[own.first.first] && !held[own.first.second]) system.entry(own.first.first, own.first.second);
  system.build();
  double *values = system.values();
  std::fill(values, values + system.keys.size(), 0.0);
  vector<double> right[2] = {vector<double>(n, 0.0), vector<double>(n, 0.0)};
  for (int v = 0; v < n; v++)
    if (held[v]) values[system.place(v, v)] = 1, right[0][v] = places[v], right[1][v] = places[n + v];
  for (auto &own : edges) {
    int a = own.first.first, b = own.first.second;
    for (int turn = 0; turn < (edges.count({b, a}) ? 1 : 2); turn++, std::swap(a, b)) {
      if (held[a]) continue;
      values[system.place(a, a)] += 1;
      if (held[b]) right[0][a] += places[b], right[1][a] += places[n + b];
      else if (a < b || !edges.count({b, a})) values[system.place(a, b)] = -1;
    }
  }
  system.factorize();
  for (int axis = 0; axis < 2; axis++) {
    vector<double> found = system.solve(right[axis]);
    std::copy(found.begin(), found.end(), places.begin() + axis * n);
  }
  return places;
}

void slopes(const Triangle &own, const vector<double> &places, double j[4]) {
  for (int axis = 0; axis < 2; axis++) {
    double right = 0, up = 0;
    for (int k = 0; k < 3; k++) {
      double value = places[axis * n + own.v[k]];
      right += value * own.across[k], up += value * own.up[k];
    }
    j[2 * axis] = right, j[2 * axis + 1] = up;
  }
}

double energy(const vector<double> &places) {
  double sum = 0, area = 0, j[4];
  for (auto &own : triangles) {
    slopes(own, places, j);
    double det = j[0] * j[3] - j[1] * j[2];
    if (det <= 0) return INFINITY;
    sum += (j[0] * j[0] + j[1] * j[1] + j[2] * j[2] + j[3] * j[3]) * (1 + 1 / (det * det)) * own.area;
    area += own.area;
  }
  return sum / area - 4;
}

double first_collapse(const vector<double> &places, const vector<double> &way) {
  double least = INFINITY, j[4], d[4];
  for (auto &own : triangles) {
    slopes(own, places, j), slopes(own, way, d);
    double k2 = d[0] * d[3] - d[1] * d[2], k1 = j[0] * d[3] + d[0] * j[3] - j[1] * d[2] - d[1] * j[2];
    double k0 = j[0] * j[3] - j[1] * j[2], disc = k1 * k1 - 4 * k2 * k0;
    if (disc < 0) continue;
    double q = -(k1 + (k1 >= 0 ? 1 : -1) * sqrt(disc)) / 2;
    for (double root : {k2 != 0 ? q / k2 : -1, q != 0 ? k0 / q : -1})
      if (root > 0) least = std::min(least, root);
  }
  return least;
}

int main(int, char **arguments) {
  FILE *file = fopen(arguments[1], "rb");
  double target;
  auto take = [&](void *to, size_t bytes) { if (fread(to, 1, bytes, file) != bytes) exit(1); };
  take(&n, 4), take(&t, 4);
  position.resize(3 * n), triangles.resize(t);
  take(position.data(), 24 * n);
  for (auto &own : triangles) take(own.v, 12);
  take(&target, 8);
  auto from = std::chrono::steady_clock::now();
  lay_triangles();
  vector<double> places = convex();
  Sparse system(2 * n);
  for (auto &own : triangles)
    for (int a : own.v)
      for (int b : own.v) system.entry(a, b), system.entry(n + a, n + b), system.entry(a, n + b);
  system.build();
  // Where the 3 x 3 entries of each triangle go, worked out once.
  vector<int> entries;
  for (auto &own : triangles)
    for (int i = 0; i < 3; i++)
      for (int k = 0; k < 3; k++) {
        int a = own.v[i], b = own.v[k];
        entries.push_back(a <= b ? system.place(a, b) : -1);
        entries.push_back(a <= b ? system.place(n + a, n + b) : -1);
        entries.push_back(system.place(a, n + b));
      }
  double area = 0, now = energy(places);
  for (auto &own : triangles) area += own.area;
  int step = 0;
  for (; step < 200 && now > target; step++) {
    double *values = system.values(), j[4];
    std::fill(values, values + system.keys.size(), 0.0);
    vector<double> right(2 * n, 0.0);
    for (int i = 0; i < t; i++) {
      Triangle &own = triangles[i];
      slopes(own, places, j);
      double px = (j[0] + j[3]) / 2, py = (j[2] - j[1]) / 2, qx = (j[0] - j[3]) / 2, qy = (j[2] + j[1]) / 2;
      double p = hypot(px, py), q = hypot(qx, qy), large = p + q, small = std::max(p - q, 1e-12);
      double angle = (atan2(py, px) + atan2(qy, qx)) / 2, ux = cos(angle), uy = sin(angle);
      auto weight = [](double s) { double r = 1 / s; return 1 + r + r * r + r * r * r; };
      double w1 = weight(large), w2 = weight(small);
      double xx = w1 * ux * ux + w2 * uy * uy, xy = (w1 - w2) * ux * uy, yy = w1 * uy * uy + w2 * ux * ux;
      double r11 = px / p - j[0], r12 = -py / p - j[1], r21 = py / p - j[2], r22 = px / p - j[3];
      for (int a = 0; a < 3; a++) {
        for (int b = 0; b < 3; b++) {
          double both = (own.across[a] * own.across[b] + own.up[a] * own.up[b]) * own.area;
          const int *at = &entries[(i * 9 + a * 3 + b) * 3];
          if (at[0] >= 0) values[at[0]] += xx * both, values[at[1]] += yy * both;
          values[at[2]] += xy * both;
        }
        double gx = (r11 * own.across[a] + r12 * own.up[a]) * own.area, gy = (r21 * own.across[a] + r22 * own.up[a]) * own.area;
        right[own.v[a]] += xx * gx + xy * gy, right[n + own.v[a]] += xy * gx + yy * gy;
      }
    }
    for (int v = 0; v < n; v++) {
      double least = 1e-5 * t / n;
      values[system.place(v, v)] += least, values[system.place(n + v, n + v)] += least;
    }
    system.factorize();
    vector<double> way = system.solve(right);
    double length = std::min(1.0, 0.9 * first_collapse(places, way)), then = INFINITY;
    vector<double> there(2 * n);
    for (int tries = 0; tries < 24; tries++, length /= 2) {
      for (int i = 0; i < 2 * n; i++) there[i] = places[i] + length * way[i];
      if ((then = energy(there)) < now) break;
    }
    if (!(then < now)) break;
    places = there, now = then;
  }
  std::chrono::duration<double> took = std::chrono::steady_clock::now() - from;
  printf("%.4f %d %.6g\n", took.count(), step, now);
}
