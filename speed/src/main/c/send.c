/* Sends ArtDmx packets of 512 universes to an address and port: send ADDRESS PORT FRAMES FRAMES-PER-SECOND BURST
   BURST 1: a frame of 512 packets at once; 0: the 512 packets spread evenly over the frame. 0 frames a second: as fast as it can.
   Prints: packets, seconds, CPU seconds. */
#include <arpa/inet.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/resource.h>
#include <sys/socket.h>
#include <time.h>

static long long now(void) {
    struct timespec t;
    clock_gettime(CLOCK_MONOTONIC, &t);
    return t.tv_sec * 1000000000LL + t.tv_nsec;
}

static void until(long long at) {
    struct timespec t = {at / 1000000000LL, at % 1000000000LL};
    clock_nanosleep(CLOCK_MONOTONIC, TIMER_ABSTIME, &t, NULL);
}

int main(int argc, char **argv) {
    int s = socket(AF_INET, SOCK_DGRAM, 0);
    struct sockaddr_in to = {.sin_family = AF_INET, .sin_port = htons(atoi(argv[2]))};
    inet_pton(AF_INET, argv[1], &to.sin_addr);
    long frames = atol(argv[3]);
    double rate = atof(argv[4]);
    int burst = argc > 5 && atoi(argv[5]);
    unsigned char b[530] = "Art-Net";
    b[9] = 0x50;
    b[11] = 14;
    b[16] = 2;
    long long period = rate > 0 ? (long long) (1e9 / rate) : 0, start = now();
    long sent = 0;
    for (long f = 0; f < frames; f++) {
        if (period && burst) {
            until(start + f * period);
        }
        b[12] = f % 255 + 1;
        b[18] = (unsigned char) f;
        for (int u = 0; u < 512; u++) {
            if (period && !burst && u % 16 == 0) {
                until(start + f * period + u * period / 512);
            }
            b[14] = u & 255;
            b[15] = u >> 8;
            sent += sendto(s, b, sizeof b, 0, (struct sockaddr *) &to, sizeof to) == sizeof b;
        }
    }
    struct rusage used;
    getrusage(RUSAGE_SELF, &used);
    printf("%ld %.3f %.6f\n", sent, (now() - start) / 1e9,
           used.ru_utime.tv_sec + used.ru_stime.tv_sec + (used.ru_utime.tv_usec + used.ru_stime.tv_usec) / 1e6);
    return 0;
}
