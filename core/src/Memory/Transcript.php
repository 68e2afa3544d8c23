<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Quantity\Radix;

/**
 * A memory test's console text, line by line into the locator: addresses and words are recognised by their shape, in the radix that
 * is set unless a number carries a mark of another (0x, $, h; 0o); lines of a tester's own dialect as they were taught. What is not
 * recognised is counted and kept with the reason, what speaks of trouble first: a test of which a line was not understood is not read.
 */
final class Transcript
{
    /** Lines that are kept for the screen, of each sort. */
    private const SHOWN = 60;
    private const LONGEST = 400;

    /** Words that speak of trouble. */
    private const TROUBLE = '/\b(bad|fail\w*|errors?|err|parity|stop\w*|fault\w*|wrong|defect\w*|mismatch\w*)\b/i';

    /** Words before a number that say what it is; others leave it to its place in the line. */
    private const LABELS = [
        'address' => ['address', 'addr', 'adr', 'at', '@', 'loc', 'location', 'cell'],
        'expected' => ['expected', 'exp', 'wrote', 'written', 'write', 'w', 'want', 'wanted', 'should', 'good'],
        'actual' => ['actual', 'act', 'got', 'read', 'rd', 'r', 'was', 'found', 'bad', 'is', 'saw'],
        'xor' => ['xor', 'diff', 'difference', 'mask'],
        'bank' => ['bank'],
        'bit' => ['bit'],
        'other' => ['pass', 'passes', 'line', 'count', 'time', 't', 'no', '#', 'errors', 'error', 'seconds', 'step', 'loop', 'cycle', 'test'],
    ];

    /** Words before a chip's name, which may look like a number (D10). */
    private const CHIP = ['chip', 'ic', 'socket', 'device'];

    /** Words of letters A to F that are words and not numbers. */
    private const NO_NUMBERS = ['BAD', 'ADD', 'FED', 'ADDED', 'DEAD', 'FACE'];

    public int $lines = 0;
    public int $recognised = 0;
    public int $leftOver = 0;
    public int $chatter = 0;
    public int $passes = 0;
    public int $failedPasses = 0;

    /** @var list<array{line: int, text: string, says: string}> the first that were recognised */
    public array $shown = [];

    /** @var list<array{line: int, text: string, says: string}> the first that were left, with the reason, those that speak of trouble before the others */
    public array $left = [];
    private int $troubles = 0;

    private int $errorsInPass = 0;

    private readonly RadixGuess $guess;

    public function __construct(
        private readonly Map $map,
        private readonly Locator $locator,
        private readonly Radix $radix,
        private readonly Dialect $dialect = new Dialect(),
    ) {
        $this->guess = new RadixGuess($map, $radix);
    }

    public function line(string $text): void
    {
        ++$this->lines;
        $text = trim($text);
        if ($text === '') {
            return;
        }
        $says = strlen($text) > self::LONGEST ? null : $this->taught($text) ?? $this->pass($text) ?? $this->error($text);
        if ($says === '') {
            ++$this->chatter;

            return;
        }
        $row = ['line' => $this->lines, 'text' => mb_substr(mb_scrub($text), 0, 200), 'says' => ltrim($says ?? 'no address and words in it', '!')];
        if ($says !== null && $says[0] !== '!') {
            ++$this->recognised;
            count($this->shown) < self::SHOWN && $this->shown[] = $row;
        } else {
            ++$this->leftOver;
            $this->leave($row);
        }
    }

    /** @param array{line: int, text: string, says: string} $row */
    private function leave(array $row): void
    {
        if (preg_match(self::TROUBLE, $row['text']) === 1) {
            $this->troubles < self::SHOWN && array_splice($this->left, $this->troubles++, 0, [$row]);
            array_splice($this->left, self::SHOWN);
        } elseif (count($this->left) < self::SHOWN) {
            $this->left[] = $row;
        }
    }

    /** @return string|null what a line of the tester's dialect says; '' for chatter; with "!" before it why it is left over; null when none fits */
    private function taught(string $text): ?string
    {
        $read = $this->dialect->read($text);
        if ($read === null) {
            return null;
        }
        [$pattern, $roles] = $read;

        return match ($pattern->sort) {
            LineSort::Chatter => '',
            LineSort::End => 'the test ends',
            LineSort::Pass => $this->ended((int) ($roles['errors'] ?? 0) > 0),
            LineSort::Error => $this->taughtError($roles),
        };
    }

    /** @param array<string, string> $roles */
    private function taughtError(array $roles): string
    {
        if (isset($roles['chip'])) {
            $found = $this->map->byRef["\0{$roles['chip']}"] ?? $this->map->byRef["\0".strtoupper($roles['chip'])] ?? null;
            if ($found === null) {
                return "!there is no chip \"{$roles['chip']}\" in the map";
            }
            $this->took(null);
            $this->locator->named($found[0], $this->map->banks[$found[0]]->chips[$found[1]]->bits);

            return "chip {$roles['chip']}";
        }
        if (isset($roles['bank'], $roles['bit'])) {
            return $this->bankBit($roles['bank'], $roles['bit']);
        }
        if (isset($roles['bank'])) {
            $bank = $this->map->byName["\0{$roles['bank']}"] ?? null;
            if ($bank === null) {
                return "!there is no bank \"{$roles['bank']}\"";
            }
            $this->took(null);
            $this->locator->named($bank, array_merge(...array_map(static fn (Chip $it): array => $it->bits, $this->map->banks[$bank]->chips)));

            return "bank {$roles['bank']} as a whole";
        }
        foreach (['address', 'expected', 'actual'] as $role) {
            if (isset($roles[$role]) && !$this->isFigure($roles[$role])) {
                return "!\"{$roles[$role]}\" is no number in radix {$this->radix->value}";
            }
        }
        if (isset($roles['expected'])) {
            return $this->data($this->number($roles['address'] ?? '0'), $roles + ['xor' => null]);
        }
        if (isset($roles['address'])) {
            $address = $this->number($roles['address']);
            $this->took($roles['address']);
            $this->locator->parity($address);

            return "a wrong word at {$this->map->radix->format($address)}, which bit it does not say";
        }
        $this->took(null);
        $this->locator->nowhere();

        return 'an error, where it does not say';
    }

    private function isFigure(string $token): bool
    {
        return self::marked($token)
            ? (preg_match('/^0o/i', $token) === 1 ? Radix::Octal : Radix::Hexadecimal)->parse($token) !== null
            : $this->radix->parse($token) !== null;
    }

    /** A pass has ended: with errors when the line says so or when some came since the pass before. */
    private function ended(bool $failed): string
    {
        $failed = $failed || $this->errorsInPass > 0;
        ++$this->passes;
        $this->failedPasses += $failed ? 1 : 0;
        $this->errorsInPass = 0;

        return $failed ? 'a pass with errors ends' : 'a clean pass ends';
    }

    public function betterRadix(): ?Radix
    {
        return $this->guess->better();
    }

    private function pass(string $text): ?string
    {
        if (preg_match('/\bpass(es)?\b/i', $text) !== 1) {
            return null;
        }
        if (preg_match('/\b(start|begin|started|begins)\b/i', $text) === 1) {
            return 'a pass begins';
        }
        if (preg_match('/\b(ok|clean|done|end|ends|ended|complete|completed|finished|fail|failed|error|errors)\b/i', $text) !== 1) {
            return null;
        }
        $count = preg_match('/\berrors?\s*[:=]?\s*(\d+)|(\d+)\s+errors?\b/i', $text, $m) === 1 ? (int) (end($m)) : null;

        return $this->ended(($count ?? 0) > 0 || ($count === null && preg_match('/\bfail(ed)?\b/i', $text) === 1));
    }

    /** @return string|null what it says; with "!" before it why it is left over; null when nothing in it has the shape */
    private function error(string $text): ?string
    {
        $words = $this->words($text);
        if ($words['chip'] !== null) {
            [$bank, $chip] = $this->map->byRef["\0{$words['chip']}"];
            $this->took(null);
            $this->locator->named($bank, $this->map->banks[$bank]->chips[$chip]->bits);

            return "chip {$words['chip']}";
        }
        if ($words['wrong'] !== null) {
            return "!{$words['wrong']}";
        }
        if ($words['bank'] !== null && $words['bit'] !== null) {
            return $this->bankBit($words['bank'], $words['bit']);
        }
        if ($words['address'] === null) {
            return null;
        }
        $address = $this->number($words['address']);
        if ($words['parity'] !== null && $words['expected'] === null && $words['xor'] === null) {
            $this->took($words['address']);
            $this->locator->parity($address);

            return "parity at {$this->map->radix->format($address)}";
        }

        return $this->data($address, $words);
    }

    /** @param array<string, ?string> $words */
    private function data(int $address, array $words): string
    {
        if ($words['xor'] === null && ($words['expected'] === null || $words['actual'] === null)) {
            return '!an address without two words';
        }
        $actual = $words['xor'] === null ? $this->number((string) $words['actual']) : null;
        $xor = $words['xor'] !== null ? $this->number($words['xor']) : $this->number((string) $words['expected']) ^ (int) $actual;
        if (($xor | ($actual ?? 0)) >> $this->map->wordBits !== 0) {
            return "!a word wider than {$this->map->wordBits} bits";
        }
        if ($xor === 0) {
            return '!both words are the same: nothing is wrong in it';
        }
        $this->took((string) $words['address']);
        $this->locator->data($address, $xor, $actual);
        $bank = $this->map->bankAt($address);
        $bits = implode(', ', array_filter(range(0, $this->map->wordBits - 1), static fn (int $bit): bool => ($xor >> $bit & 1) === 1));

        return $this->map->radix->format($address).($bank === null ? ', in no bank' : ", bank {$this->map->banks[$bank]->name}").": bit {$bits}";
    }

    private function bankBit(string $name, string $bit): string
    {
        $bank = $this->map->byName["\0{$name}"] ?? null;
        $number = strtoupper($bit) === 'P' ? Bank::P : (ctype_digit($bit) ? (int) $bit : -1);
        if ($bank === null) {
            return "!there is no bank \"{$name}\"";
        }
        foreach ($this->map->banks[$bank]->chips as $chip) {
            if (in_array($number, $chip->bits, true)) {
                $this->took(null);
                $this->locator->named($bank, [$number]);

                return "bank {$name}, bit ".SuspectWords::bit($number);
            }
        }

        return "!bank {$name} has no bit {$bit}";
    }

    private function took(?string $address): void
    {
        ++$this->errorsInPass;
        if ($address !== null && !self::marked($address)) {
            $this->guess->took($address);
        }
    }

    private static function marked(string $token): bool
    {
        return preg_match('/^(0x|\$|0o)|h$/i', $token) === 1;
    }

    private function number(string $token): int
    {
        $radix = match (true) {
            preg_match('/^(0x|\$)|h$/i', $token) === 1 => Radix::Hexadecimal,
            preg_match('/^0o/i', $token) === 1 => Radix::Octal,
            default => $this->radix,
        };

        return $radix->parse($token) ?? 0;
    }

    /** @return array<string, ?string> */
    private function words(string $text): array
    {
        $found = [
            'address' => null,
            'expected' => null,
            'actual' => null,
            'xor' => null,
            'bank' => null,
            'bit' => null,
            'chip' => null,
            'parity' => null,
            'wrong' => null,
        ];
        $bare = [];
        $label = null;
        $text = preg_replace('/\b\d{1,2}:\d\d(:\d\d([.,]\d+)?)?\b|\b\d{4}-\d\d-\d\d\b/', ' ', $text) ?? '';
        $before = '';
        foreach (preg_split('/[\s,;()\[\]|<>]+/', preg_replace('/([:=@#])/', ' $1 ', $text) ?? '', -1, PREG_SPLIT_NO_EMPTY) ?: [] as $token) {
            if ($token === ':' || $token === '=') {
                continue;
            }
            [$before, $now] = [$now ?? '', strtolower($token)];
            $role = self::role($token);
            $numeric = $this->isNumber($token);
            if (($label === 'bank' || $label === 'bit') && $role === null) {
                $found[$label] ??= $token;
                $label = null;
            } elseif ($role !== null && !$numeric) {
                $label = $role;
            } elseif (isset($this->map->byRef["\0{$token}"]) && (!$numeric || in_array($before, self::CHIP, true))) {
                $found['chip'] ??= $token;
            } elseif (strcasecmp($token, 'parity') === 0) {
                $found['parity'] = $token;
            } elseif ($numeric) {
                if ($label === null) {
                    $bare[] = $token;
                } elseif ($label !== 'other') {
                    $found[$label] ??= $token;
                }
                $label = null;
            } elseif (preg_match('/^\d/', $token) === 1) {
                $found['wrong'] = "\"{$token}\" is no number in radix {$this->radix->value}";
                $label = null;
            }
        }
        if ($found['chip'] !== null && ($found['address'] !== null || $bare !== [])) {
            $found['chip'] = null;
        }

        return $this->byPlace($found, $bare);
    }

    /**
     * What has no label is an address, the word that was written and the word that was read, in this order; a fourth is their difference.
     *
     * @param array<string, ?string> $found
     * @param list<string>           $bare
     *
     * @return array<string, ?string>
     */
    private function byPlace(array $found, array $bare): array
    {
        foreach (['address', 'expected', 'actual'] as $role) {
            if ($found[$role] === null && $bare !== [] && !($role !== 'address' && $found['xor'] !== null)) {
                $found[$role] = array_shift($bare);
            }
        }
        $difference = $found['expected'] !== null && $found['actual'] !== null ? $this->number($found['expected']) ^ $this->number($found['actual']) : null;
        if ($bare !== [] && !(count($bare) === 1 && $difference !== null && $this->number($bare[0]) === $difference)) {
            $found['wrong'] ??= 'more numbers than an address and two words';
        }

        return $found;
    }

    private static function role(string $token): ?string
    {
        $token = strtolower(rtrim($token, '.'));
        foreach (self::LABELS as $role => $words) {
            if (in_array($token, $words, true)) {
                return $role;
            }
        }

        return null;
    }

    /** A number has a figure in it, or is capitals of a hexadecimal number that is no word. */
    private function isNumber(string $token): bool
    {
        if (self::marked($token) && preg_match('/\d/', $token) === 1) {
            return (preg_match('/^0o/i', $token) === 1 ? Radix::Octal : Radix::Hexadecimal)->parse($token) !== null;
        }
        if ($this->radix->parse($token) === null) {
            return false;
        }

        return preg_match('/\d/', $token) === 1 || (strlen($token) >= 2 && strtoupper($token) === $token && !in_array($token, self::NO_NUMBERS, true));
    }
}
