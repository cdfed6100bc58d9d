/* Receives UDP at an address and port by recvfrom until nothing has come for a second.
   Prints: packets, packets lost by the sequence of universe 0..511 (byte 12), CPU seconds.
   With a third argument it takes the times of the packets of universe 0 and prints the median and the 99th percentile of how far
   each is from the one before by more or less than that many nanoseconds. */
#include <arpa/inet.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/resource.h>
#include <sys/socket.h>
#include <sys/time.h>
#include <time.h>

static int compare(const void *a, const void *b) {
    long long x = *(const long long *) a, y = *(const long long *) b;
    return x < y ? -1 : x > y;
}

int main(int argc, char **argv) {
    int s = socket(AF_INET, SOCK_DGRAM, 0);
    int buffer = 4 * 1024 * 1024;
    setsockopt(s, SOL_SOCKET, SO_RCVBUF, &buffer, sizeof buffer);
    struct sockaddr_in at = {.sin_family = AF_INET, .sin_port = htons(atoi(argv[2]))};
    inet_pton(AF_INET, argv[1], &at.sin_addr);
    if (bind(s, (struct sockaddr *) &at, sizeof at)) {
        perror("bind");
        return 1;
    }
    long long period = argc > 3 ? atoll(argv[3]) : 0;
    static long long errors[1000000];
    long count = 0, lost = 0, periods = 0;
    long long last = 0;
    int sequence[32768];
    memset(sequence, -1, sizeof sequence);
    struct timeval patience = {10, 0};
    setsockopt(s, SOL_SOCKET, SO_RCVTIMEO, &patience, sizeof patience);
    printf("ready\n");
    fflush(stdout);
    unsigned char b[2048];
    struct sockaddr_in from;
    socklen_t length = sizeof from;
    while (1) {
        ssize_t n = recvfrom(s, b, sizeof b, 0, (struct sockaddr *) &from, &length);
        if (n < 0) {
            break;
        }
        if (count == 0) {
            patience.tv_sec = 1;
            setsockopt(s, SOL_SOCKET, SO_RCVTIMEO, &patience, sizeof patience);
        }
        count++;
        int universe = (b[14] | b[15] << 8) & 32767;
        if (sequence[universe] >= 0) {
            int steps = (b[12] - sequence[universe] + 255) % 255;
            if (steps > 1) {
                lost += steps - 1;
            }
        }
        sequence[universe] = b[12];
        if (period && universe == 0) {
            struct timespec t;
            clock_gettime(CLOCK_MONOTONIC, &t);
            long long now = t.tv_sec * 1000000000LL + t.tv_nsec;
            if (last && periods < 1000000) {
                long long error = now - last - period;
                errors[periods++] = error < 0 ? -error : error;
            }
            last = now;
        }
    }
    struct rusage used;
    getrusage(RUSAGE_SELF, &used);
    double cpu = used.ru_utime.tv_sec + used.ru_stime.tv_sec + (used.ru_utime.tv_usec + used.ru_stime.tv_usec) / 1e6;
    qsort(errors, periods, sizeof errors[0], compare);
    printf("%ld %ld %.6f %.3f %.3f\n", count, lost, cpu, periods ? errors[periods / 2] / 1e6 : 0,
           periods ? errors[periods * 99 / 100] / 1e6 : 0);
    return 0;
}
