<?php

declare(strict_types=1);

namespace Tests\Browser;

/** What the web server answers by itself: JSON where a program asked, a page where a person did, nosniff everywhere. */
final class GatewayTest extends TestCase
{
    private static function raw(string $request): string
    {
        $url = (string) parse_url(self::environment('ASH_URL'), PHP_URL_HOST);
        $socket = stream_socket_client("tcp://{$url}:".parse_url(self::environment('ASH_URL'), PHP_URL_PORT), timeout: 5) ?: throw new \RuntimeException();
        fwrite($socket, $request);
        stream_set_timeout($socket, 5);

        return (string) stream_get_contents($socket);
    }

    public function test_a_request_that_cannot_be_read_is_answered_in_kind(): void
    {
        $this->chrome->go('/');
        $long = str_repeat('x', 40_000);
        foreach (['/api/bench' => '"errors"', '/jobs' => '<h1>'] as $path => $has) {
            $answer = self::raw("GET {$path} HTTP/1.1\r\nHost: x\r\nCookie: {$long}\r\n\r\n");
            self::assertMatchesRegularExpression('#^HTTP/1.1 4\d\d#', $answer);
            self::assertStringContainsString($has, $answer);
            self::assertStringContainsString('X-Content-Type-Options: nosniff', $answer);
            self::assertStringNotContainsString('nginx</center>', $answer);
        }
    }

    public function test_a_body_of_a_million_tokens_is_refused_by_its_size_from_whoever_it_comes(): void
    {
        $this->chrome->go('/');
        $body = '['.str_repeat('1,', 1_500_000).'1]';
        foreach (['/api/session', '/api/jobs'] as $path) {
            $answer = self::raw(
                "POST {$path} HTTP/1.1\r\nHost: 127.0.0.1\r\nConnection: close\r\nContent-Type: application/json\r\n"
                    .'Content-Length: '.strlen($body)."\r\n\r\n{$body}",
            );
            self::assertStringContainsString(' 413 ', strtok($answer, "\n") ?: '');
            self::assertStringContainsString('is larger than anything that is taken here', $answer);
            self::assertStringContainsString('X-Content-Type-Options: nosniff', $answer);
        }
    }

    public function test_every_sort_of_answer_has_one_nosniff_and_a_request_id(): void
    {
        $this->chrome->go('/');
        $built = glob(dirname(__DIR__, 2).'/public/build/assets/*.js') ?: [];
        foreach (['/', '/api/bench', '/api/nothing', '/mark.svg', '/build/assets/'.basename($built[0] ?? ''), '/build/nothing.js', '/up'] as $path) {
            $answer = self::raw("GET {$path} HTTP/1.1\r\nHost: 127.0.0.1\r\nConnection: close\r\n\r\n");
            self::assertSame(1, preg_match_all('/^X-Content-Type-Options: nosniff\r?$/mi', $answer), $path.substr($answer, 0, 400));
        }
    }
}
