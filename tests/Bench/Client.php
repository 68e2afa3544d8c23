<?php

declare(strict_types=1);

namespace Tests\Bench;

/** A signed-in client that can be several at once. */
final class Client
{
    /** @param array{string, string} $who e-mail and password */
    private function __construct(private readonly string $url, private readonly string $cookies, public readonly array $who, private readonly string $token)
    {
    }

    public static function signedIn(string $url, string $var, string $who = 'tomas'): self
    {
        preg_match(
            "/({$who}@\\S+) \\/ (\\S+)/",
            (string) file_get_contents("{$var}/sign-in.txt"),
            $m,
        ) === 1 ?: throw new \RuntimeException('run this with bin/test bench');
        $jar = (string) tempnam(sys_get_temp_dir(), 'ash');
        $ask = static function (string $path, ?string $body, string $token) use ($url, $jar): string {
            $curl = curl_init($url.$path);
            curl_setopt_array(
                $curl,
                [
                    \CURLOPT_RETURNTRANSFER => true,
                    \CURLOPT_COOKIEJAR => $jar,
                    \CURLOPT_COOKIEFILE => $jar,
                    \CURLOPT_HTTPHEADER => [
                        'Accept: application/json',
                        'Content-Type: application/json',
                        "Referer: {$url}/",
                        'X-XSRF-TOKEN: '.urldecode($token),
                    ],
                ] + ($body === null ? [] : [\CURLOPT_POSTFIELDS => $body]),
            );
            $answer = (string) curl_exec($curl);
            curl_close($curl);

            return $answer;
        };
        $cookie = static fn (string $name): string => preg_match('/\t'.$name.'\t(\S+)/', (string) file_get_contents($jar), $m) === 1 ? $m[1] : '';
        $ask('/sanctum/csrf-cookie', null, '');
        $ask('/api/session', (string) json_encode(['email' => $m[1], 'password' => $m[2]]), $cookie('XSRF-TOKEN'));

        return new self($url, "ash_bench={$cookie('ash_bench')}; XSRF-TOKEN={$cookie('XSRF-TOKEN')}", [$m[1], $m[2]], urldecode($cookie('XSRF-TOKEN')));
    }

    /** @return list<float> milliseconds of each request, $concurrent of them under way at any time */
    public function load(string $path, int $requests, int $concurrent, ?string $body = null): array
    {
        $multi = curl_multi_init();
        $times = [];
        $left = $requests;
        $add = function () use ($multi, $path, $body, &$left): void {
            if ($left-- > 0) {
                $curl = curl_init($this->url.$path);
                curl_setopt_array(
                    $curl,
                    [
                        \CURLOPT_RETURNTRANSFER => true,
                        \CURLOPT_COOKIE => $this->cookies,
                        \CURLOPT_HTTPHEADER => [
                            'Accept: application/json',
                            'Content-Type: application/json',
                            "X-XSRF-TOKEN: {$this->token}",
                            "Referer: {$this->url}/",
                        ],
                    ] + ($body === null ? [] : [\CURLOPT_POSTFIELDS => $body]),
                );
                curl_multi_add_handle($multi, $curl);
            }
        };
        for ($i = 0; $i < $concurrent; ++$i) {
            $add();
        }
        while (count($times) < $requests) {
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 0.05);
            while (($done = curl_multi_info_read($multi)) !== false) {
                $curl = $done['handle'];
                in_array(curl_getinfo($curl, \CURLINFO_RESPONSE_CODE), [200, 201], true) ?: throw new \RuntimeException(
                    "{$path} answered ".curl_getinfo($curl, \CURLINFO_RESPONSE_CODE),
                );
                $times[] = curl_getinfo($curl, \CURLINFO_TOTAL_TIME) * 1000;
                curl_multi_remove_handle($multi, $curl);
                $add();
            }
        }

        return $times;
    }

    /**
     * Several requests at once.
     *
     * @param list<array{string, array<string, mixed>}> $requests address and body
     *
     * @return list<array{int, string}> status and body, in order
     */
    public function together(array $requests): array
    {
        $multi = curl_multi_init();
        $handles = array_map(function (array $request) use ($multi): \CurlHandle {
            $curl = curl_init($this->url.$request[0]);
            curl_setopt_array(
                $curl,
                [
                    \CURLOPT_RETURNTRANSFER => true,
                    \CURLOPT_COOKIE => $this->cookies,
                    \CURLOPT_HTTPHEADER => [
                        'Accept: application/json',
                        'Content-Type: application/json',
                        "X-XSRF-TOKEN: {$this->token}",
                        "Referer: {$this->url}/",
                    ],
                    \CURLOPT_POSTFIELDS => json_encode($request[1], JSON_THROW_ON_ERROR),
                ],
            );
            curl_multi_add_handle($multi, $curl);

            return $curl;
        }, $requests);
        do {
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 0.05);
        } while ($running > 0);

        return array_map(
            static fn (\CurlHandle $curl): array => [curl_getinfo($curl, \CURLINFO_RESPONSE_CODE), (string) curl_multi_getcontent($curl)],
            $handles,
        );
    }
}
