<?php

declare(strict_types=1);

namespace App\Batteries;

use App\Logbook\Cards;
use App\Logbook\Row;
use App\People\Person;
use App\People\SignedIn;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** Re-checks and clock tests as a calendar (RFC 5545) at a secret address of each person's own, which can be taken back. */
final readonly class CalendarController
{
    #[OA\Post(
        path: '/calendar',
        operationId: 'makeCalendar',
        tags: ['batteries'],
        responses: [
            new OA\Response(
                response: 201,
                description: 'a new address; the one before it no longer answers',
                content: new OA\JsonContent(ref: CalendarCard::class),
            ),
        ],
    )]
    public function store(Request $request): JsonResponse
    {
        $secret = bin2hex(random_bytes(20));
        SignedIn::person($request)->forceFill(['calendar_hash' => hash('sha256', $secret)])->save();

        return new JsonResponse(new CalendarCard(url("calendar/{$secret}.ics")), 201);
    }

    #[OA\Delete(path: '/calendar', operationId: 'revokeCalendar', tags: ['batteries'], responses: [new OA\Response(response: 204, description: 'taken back')])]
    public function destroy(Request $request): JsonResponse
    {
        SignedIn::person($request)->forceFill(['calendar_hash' => null])->save();

        return new JsonResponse(null, 204);
    }

    public function feed(string $secret): Response
    {
        $person = Person::query()->where('calendar_hash', hash('sha256', $secret))->where('active', true)->first();
        abort_unless($person !== null, 404);
        $lines = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Ash Bench//Due list//EN', 'CALSCALE:GREGORIAN', 'NAME:Ash Bench'];
        foreach (Cards::items()->whereNotNull('due')->limit(500)->get() as $item) {
            $lines = [...$lines, ...self::event(new Row($item))];
        }
        $body = implode('', array_map(static fn (string $line): string => self::folded($line)."\r\n", [...$lines, 'END:VCALENDAR']));

        return new Response(
            $body,
            200,
            ['Content-Type' => 'text/calendar; charset=utf-8', 'Cache-Control' => 'private, no-store', 'X-Robots-Tag' => 'noindex'],
        );
    }

    /** @return list<string> RFC 5545, 3.6.1 */
    private static function event(Row $item): array
    {
        $stamp = static fn (string $utc): string => preg_replace('/\.\d+$/', '', strtr($utc, ['-' => '', ':' => '', ' ' => 'T'])).'Z';
        $due = $stamp($item->string('due'));

        return [
            'BEGIN:VEVENT',
            "UID:{$item->string('id')}@ash-bench",
            "DTSTAMP:{$stamp($item->string('since'))}",
            "DTSTART:{$due}",
            'DURATION:PT30M',
            'SUMMARY:'.self::text(sprintf('J-%04d ', $item->int('number')).$item->string('text')),
            'URL:'.url("jobs/{$item->string('job_id')}/battery"),
            'END:VEVENT',
        ];
    }

    /** RFC 5545, 3.3.11: these characters are escaped in a text. */
    private static function text(string $text): string
    {
        return strtr($text, ['\\' => '\\\\', ';' => '\\;', ',' => '\\,', "\r" => '', "\n" => '\\n']);
    }

    /** RFC 5545, 3.1: lines of at most 75 octets, continued behind a space, never within a character. */
    private static function folded(string $line): string
    {
        $parts = [];
        for ($width = 75; strlen($line) > $width; $width = 74) {
            $part = mb_strcut($line, 0, $width, 'UTF-8');
            $parts[] = $part;
            $line = substr($line, strlen($part));
        }

        return implode("\r\n ", [...$parts, $line]);
    }
}
