<?php

declare(strict_types=1);

namespace App\Report;

use App\Logbook\Photo;
use App\Logbook\PhotoCard;
use App\Logbook\PinCard;

/** A picture on a report, read when it is drawn. */
final readonly class Picture
{
    /** @param list<string> $pins */
    private function __construct(private string $file, public string $says, public array $pins)
    {
    }

    public static function of(PhotoCard $card): self
    {
        $of = $card->of === null ? '' : $card->of.($card->phase === null ? '' : ", {$card->phase->value}");

        return new self(
            Photo::fileOf($card->id, true),
            implode('. ', array_filter([$of, $card->caption])),
            array_map(static fn (PinCard $pin): string => "{$pin->number}: {$pin->text}", $card->pins),
        );
    }

    /** The thumbnail as a page carries it. */
    public function image(): string
    {
        return is_file($this->file) ? 'data:image/jpeg;base64,'.base64_encode((string) file_get_contents($this->file)) : '';
    }
}
