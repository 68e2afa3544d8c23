<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\InvalidDocument;

/**
 * One line to add an entry fast. The rooms' rules are asked in order; minutes may stand at its end ("20 min"). A line that no rule knows
 * is an observation, so nothing that is typed is ever lost.
 */
final readonly class Lines
{
    /** @var list<LineRule> */
    private array $rules;

    public function __construct(LineRule ...$rules)
    {
        $this->rules = array_values($rules);
    }

    /** @throws UnclearLine */
    public function read(string $line, LineFacts $facts = new LineFacts()): LineSaid
    {
        [$rest, $minutes] = self::minutes(trim($line));
        foreach ($this->rules as $rule) {
            $said = $rule->read($rest, $facts);
            if ($said !== null) {
                return $said->lasting($minutes);
            }
        }

        return LineSaid::observation($rest, $minutes);
    }

    /** As read(), but a line that is said plainly and has no place elsewhere is an observation, with the doubt. */
    public function plainly(string $line, Kinds $kinds, LineFacts $facts = new LineFacts()): LineSaid
    {
        try {
            $said = $this->read($line, $facts);
            for ($it = $said; $it !== null; $it = $it->also) {
                $it->read($kinds);
            }

            return $said;
        } catch (UnclearLine $problem) {
            $doubt = $problem->getMessage();
        } catch (InvalidDocument $problem) {
            $doubt = $problem->pointer === LineSaid::POINTER ? "it {$problem->detail}" : $problem->plainly();
        }
        [$rest, $minutes] = self::minutes(trim($line));

        return LineSaid::observation($rest, $minutes, $doubt);
    }

    /** @return array<string, string> whole lines, by what they begin with */
    public function examples(): array
    {
        return array_merge(...array_map(static fn (LineRule $rule): array => $rule->examples(), $this->rules));
    }

    /** @return list<string> */
    public function completions(string $begun, LineFacts $facts = new LineFacts()): array
    {
        return array_merge(...array_map(static fn (LineRule $rule): array => $rule->completions($begun, $facts), $this->rules));
    }

    /** @return array{string, int} the line without the minutes at its end, and the minutes */
    private static function minutes(string $line): array
    {
        $pattern = '/^(.*?)[\s,]+(?:(\d{1,2})\s?h)?\s?(?:(\d{1,3})\s?min)?$/us';
        if (preg_match($pattern, $line, $m) === 1 && (($m[2] ?? '') !== '' || ($m[3] ?? '') !== '')) {
            return [$m[1], 60 * (int) ($m[2] ?? 0) + (int) ($m[3] ?? 0)];
        }

        return [$line, 0];
    }
}
