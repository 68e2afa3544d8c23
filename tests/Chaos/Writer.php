<?php

declare(strict_types=1);

namespace Tests\Chaos;

use Symfony\Component\Uid\Ulid;

/** Somebody who writes while things are killed. */
final readonly class Writer
{
    private function __construct(private string $url, private string $folder)
    {
    }

    /** @param string $var the data folder whose sign-in.txt names the lead; $folder holds the cookies, and the file that ends the writing */
    public static function signedIn(string $url, string $folder, string $var): self
    {
        $writer = new self($url, $folder);
        preg_match('/(lead@\S+) \/ (\S+)/', (string) file_get_contents("{$var}/sign-in.txt"), $m) === 1 ?: throw new \RuntimeException('nobody to sign in as');
        [$code] = $writer->ask('POST', '/api/session', ['email' => $m[1], 'password' => $m[2]]);

        return $code === 200 ? $writer : throw new \RuntimeException("signing in was answered {$code}");
    }

    /**
     * @param array<string, mixed>|null $body
     *
     * @return array{int, mixed}
     */
    public function ask(string $method, string $path, ?array $body = null): array
    {
        $curl = curl_init($this->url.$path);
        $jar = "{$this->folder}/cookies";
        $token = preg_match('/\tXSRF-TOKEN\t(\S+)/', (string) @file_get_contents($jar), $m) === 1 ? urldecode($m[1]) : '';
        curl_setopt_array($curl, [
            CURLOPT_RETURNTRANSFER => true, CURLOPT_CUSTOMREQUEST => $method, CURLOPT_COOKIEFILE => $jar, CURLOPT_COOKIEJAR => $jar, CURLOPT_TIMEOUT => 10,
            CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json', "Referer: {$this->url}/", "X-XSRF-TOKEN: {$token}"],
        ] + ($body === null ? [] : [CURLOPT_POSTFIELDS => json_encode($body, JSON_THROW_ON_ERROR)]));
        $answer = curl_exec($curl);
        $code = curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
        curl_close($curl);

        return [(int) $code, json_decode(is_string($answer) ? $answer : '', true)];
    }

    public function job(): string
    {
        $profile = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/database/demo/machines/dunlin-8.json'), true);
        [$code, $machine] = $this->ask('POST', '/api/machines', is_array($profile) ? $profile : []);
        $code === 201 ?: throw new \RuntimeException("it answered {$code}");
        is_array($machine) ?: throw new \RuntimeException('no machine');
        $id = Ulid::generate();
        [$code] = $this->ask('POST', '/api/jobs', [
            'id' => $id, 'machine' => $machine['id'], 'board' => $machine['boards'][0]['id'], 'title' => 'Chaos', 'owner' => 'Nobody',
            'at' => gmdate('Y-m-d\TH:i:s\Z'),
        ]);
        $code === 201 ?: throw new \RuntimeException("it answered {$code}");

        return $id;
    }

    /** Writes until it is told to stop: each entry again and again until it is answered, as a browser's list of unsent entries does. */
    public function write(string $job, string $acknowledged): void
    {
        for ($n = 0; !file_exists("{$this->folder}/enough"); ++$n) {
            $entry = ['id' => Ulid::generate(), 'at' => gmdate('Y-m-d\TH:i:s\Z'), 'line' => "saw {$n} 1 min"];
            do {
                [$code] = $this->ask('POST', "/api/jobs/{$job}/entries", $entry);
                $code === 200 || $code === 201 || usleep(50_000);
            } while ($code !== 200 && $code !== 201 && !file_exists("{$this->folder}/enough"));
            if ($code === 200 || $code === 201) {
                file_put_contents($acknowledged, "{$entry['id']}\n", FILE_APPEND);
            }
        }
    }
}
