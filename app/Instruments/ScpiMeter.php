<?php

declare(strict_types=1);

namespace App\Instruments;

use Illuminate\Contracts\Cache\LockTimeoutException;
use Illuminate\Support\Facades\Cache;

/** A meter that speaks SCPI: IEEE 488.2 common commands and the SCPI-99 measure subsystem over a raw socket. */
final readonly class ScpiMeter
{
    /** SCPI-99 volume 1, 7.2.1.4 and 7.2.1.5: infinity is 9.9E37, "not a number" is 9.91E37. */
    private const INFINITY = 9.9e37;
    private const NOT_A_NUMBER = 9.91e37;

    /** Decimal numeric response data, NR1 to NR3 (IEEE 488.2, 8.7.2 to 8.7.4). */
    private const NUMBER = '/^[+-]?(\d+(\.\d*)?|\.\d+)([eE][+-]?\d{1,3})?$/';

    /** SCPI-99 volume 2, 21.8: init ignored (a measurement is under way), trigger deadlock. */
    private const BUSY = [-213, -214];

    public function __construct(private Meter $meter)
    {
    }

    /** *IDN? in one line of words. */
    public function identity(): MeterReading|string
    {
        return $this->converse(static fn (ScpiLine $line): string => mb_substr(mb_scrub($line->ask('*IDN?')), 0, 200));
    }

    /**
     * Asks for several quantities in one conversation, in order.
     *
     * @param list<Quantity|string> $wanted a query of the meter's own stands for what SCPI has no instruction for
     * @param list<string>          $before commands that set the stand-in's probe; a real meter gets none
     *
     * @return list<MeterReading> one for each quantity
     */
    public function measure(array $wanted, array $before = []): array
    {
        $answers = [];
        $lost = $this->converse(static function (ScpiLine $line) use ($wanted, $before, &$answers): string {
            $line->say('*CLS');
            foreach ($before as $command) {
                $line->say($command);
            }
            foreach ($wanted as $quantity) {
                $answers[] = self::one($line, $quantity);
            }

            return '';
        });
        while (count($answers) < count($wanted)) {
            $answers[] = $lost instanceof MeterReading ? $lost : MeterReading::none(MeterState::Dropped);
        }

        return $answers;
    }

    private static function one(ScpiLine $line, Quantity|string $quantity): MeterReading
    {
        $answer = $line->ask($quantity instanceof Quantity ? $quantity->value : $quantity);
        $number = preg_match(self::NUMBER, $answer) === 1 ? (float) $answer : null;
        if ($number !== null && abs($number) < self::INFINITY * (1 - 1e-9)) {
            $error = $line->ask('SYST:ERR?');

            return self::code($error) === 0 ? MeterReading::value($number) : self::error($error);
        }
        if ($number !== null && abs($number) < (self::INFINITY + self::NOT_A_NUMBER) / 2) {
            return MeterReading::none(MeterState::Overload);
        }
        $error = $line->ask('SYST:ERR?');

        return self::code($error) === 0 ? MeterReading::none(MeterState::WrongAnswer, mb_substr(mb_scrub($answer), 0, 40)) : self::error($error);
    }

    /** The number before the comma of `-213,"Init ignored"`; null when there is none. */
    private static function code(string $error): ?int
    {
        return preg_match('/^([+-]?\d+)\s*(,|$)/', $error, $m) === 1 ? (int) $m[1] : null;
    }

    private static function error(string $error): MeterReading
    {
        $said = mb_substr(mb_scrub($error), 0, 80);

        return MeterReading::none(in_array(self::code($error), self::BUSY, true) ? MeterState::Busy : MeterState::DeviceError, $said);
    }

    /**
     * One conversation at a time with each meter: two on one line would get each other's answers.
     *
     * @param \Closure(ScpiLine): string $talk
     */
    private function converse(\Closure $talk): MeterReading|string
    {
        /** @var array{connect_timeout: float, answer_timeout: float, busy_timeout: float} $times */
        $times = config('instruments');
        try {
            $lock = Cache::lock("meter:{$this->meter->id}", 15);
            if ($lock instanceof \Illuminate\Cache\Lock) {
                $lock->betweenBlockedAttemptsSleepFor(20);
            }

            return $lock->block((int) $times['busy_timeout'], function () use ($talk, $times): string {
                $line = ScpiLine::open($this->meter->address(), $times['connect_timeout'], $times['answer_timeout']);
                try {
                    return $talk($line);
                } finally {
                    $line->close();
                }
            });
        } catch (MeterLost $lost) {
            return MeterReading::none($lost->state);
        } catch (LockTimeoutException) {
            return MeterReading::none(MeterState::Busy, 'another reading is being taken');
        }
    }
}
