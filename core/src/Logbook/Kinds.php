<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Shape;

/** The kinds of entries that the rooms bring: reads what is handed in, takes up again what was stored, and says it in words. */
final readonly class Kinds
{
    private const FLAGS = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES;

    /** @var array<string, EntryKind> by name */
    public array $all;

    public function __construct(EntryKind ...$kinds)
    {
        $byName = [];
        foreach ($kinds as $kind) {
            isset($byName[$kind->name]) && throw new \LogicException("two rooms bring entries of kind {$kind->name}");
            $byName[$kind->name] = $kind;
        }
        $this->all = $byName;
    }

    public function named(Node $name): EntryKind
    {
        return $this->all[$name->raw() === null ? '' : $name->string()] ?? $name->refuse('must be one of '.implode(', ', array_keys($this->all)));
    }

    /** @throws InvalidDocument */
    public function read(EntryKind $kind, Node $data): EntryData
    {
        return Shape::of($kind->data)->read($data);
    }

    /** @return string canonical JSON of the data, with the number of its form */
    public function write(string $kind, EntryData $data): string
    {
        if ($data instanceof UnreadEntry) {
            return $data->json;
        }

        return json_encode((object) [...Shape::of($data::class)->write($data), 'form' => $this->all[$kind]->form], self::FLAGS);
    }

    /**
     * What another workshop's record holds: read as strictly as what is handed in. A kind or a form that is not known here is kept as it is.
     *
     * @throws InvalidDocument
     */
    public function brought(string $kind, Node $data): EntryData
    {
        $it = $this->all[$kind] ?? null;
        $form = $data->optional('form')?->integer(1) ?? EntryKind::FIRST_FORM;
        if ($it === null || $form > $it->form) {
            return new UnreadEntry($kind, json_encode($data->object(), self::FLAGS), $it === null ? 'the kind is not known' : 'it was written in a newer form');
        }

        return Shape::of($it->data)->again(Node::of(self::renewed($it, clone $data->object()), $data->pointer));
    }

    /** What was stored, whatever it is: what cannot be read stands as text and hinders nothing else. */
    public function stored(string $kind, string $json): EntryData
    {
        $it = $this->all[$kind] ?? null;
        if ($it === null) {
            return new UnreadEntry($kind, $json, 'the kind is not known');
        }
        try {
            $data = json_decode($json, false, 64, JSON_THROW_ON_ERROR);
            $data = $data instanceof \stdClass ? $data : new \stdClass();

            return Shape::of($it->data)->revive(self::renewed($it, $data));
        } catch (\JsonException|\TypeError|\ValueError|InvalidDocument|\Exception $fault) {
            return new UnreadEntry($kind, $json, $fault instanceof InvalidDocument ? $fault->getMessage() : 'a field is missing or of another type');
        }
    }

    public function sentence(string $kind, string $text, EntryData $data): string
    {
        $said = $data->sentence($text);

        return ($this->all[$kind]->spoken ?? null) === Spoken::Beside && $text !== '' && !$data instanceof UnreadEntry ? "{$said}. {$text}" : $said;
    }

    /** @return list<string> names of the kinds for which the condition holds */
    public function where(\Closure $holds): array
    {
        return array_keys(array_filter($this->all, $holds));
    }

    private static function renewed(EntryKind $kind, \stdClass $data): \stdClass
    {
        $form = $data->form ?? EntryKind::FIRST_FORM;
        if (!is_int($form) || $form > $kind->form) {
            throw InvalidDocument::at('/form', 'it was written in a newer form');
        }
        unset($data->form);
        for (; $form < $kind->form; ++$form) {
            $data = ($kind->older[$form] ?? throw InvalidDocument::at('/form', "form {$form} has no reader"))($data);
        }

        return $data;
    }
}
