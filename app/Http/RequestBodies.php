<?php

declare(strict_types=1);

namespace App\Http;

use OpenApi\Attributes as OA;

/** What the writing routes take, for the description. The core reads the bodies themselves, strictly. */
#[OA\OpenApi(openapi: '3.1.0', info: new OA\Info(version: '1.0.0', title: 'Ash Bench', description: 'The record and the rules of a repair bench. Signed in by cookie session; writing needs the XSRF-TOKEN cookie sent back as X-XSRF-TOKEN.'), servers: [new OA\Server(url: '/api')])]
#[OA\Schema(schema: 'SignInBody', required: ['email', 'password'], properties: [new OA\Property(property: 'email', type: 'string'), new OA\Property(property: 'password', type: 'string')])]
#[OA\Schema(schema: 'PersonBody', required: ['name', 'email', 'role'], properties: [
    new OA\Property(property: 'name', type: 'string'), new OA\Property(property: 'email', type: 'string'),
    new OA\Property(property: 'role', type: 'string', enum: \App\People\Role::class), new OA\Property(property: 'active', type: 'boolean'),
    new OA\Property(property: 'password', type: 'string', description: '12 to 72 characters; needed for a new person'),
])]
#[OA\Schema(schema: 'MeterBody', required: ['name', 'host', 'port', 'reading_pct', 'counts', 'resolution_v'], properties: [
    new OA\Property(property: 'name', type: 'string'), new OA\Property(property: 'host', type: 'string', description: 'loopback or private IP address'),
    new OA\Property(property: 'port', type: 'integer'), new OA\Property(property: 'reading_pct', type: 'number'),
    new OA\Property(property: 'counts', type: 'number'), new OA\Property(property: 'resolution_v', type: 'number', description: 'V a count'),
    new OA\Property(property: 'esr_query', type: 'string', nullable: true), new OA\Property(property: 'tan_delta_query', type: 'string', nullable: true), new OA\Property(property: 'loss_hz', description: 'Hz of ESR and tan delta; a number, or nothing'),
    new OA\Property(property: 'active', type: 'boolean'),
])]
#[OA\Schema(schema: 'SerialPortBody', required: ['name', 'host', 'port'], properties: [
    new OA\Property(property: 'name', type: 'string'), new OA\Property(property: 'host', type: 'string', description: 'loopback or private IP address'),
    new OA\Property(property: 'port', type: 'integer'), new OA\Property(property: 'active', type: 'boolean'),
])]
#[OA\Schema(schema: 'SceneBody', required: ['scene'], properties: [new OA\Property(property: 'scene', type: 'string')])]
#[OA\Schema(schema: 'JobBody', required: ['id', 'machine', 'board', 'title', 'owner', 'at'], properties: [
    new OA\Property(property: 'id', type: 'string', description: 'ULID'), new OA\Property(property: 'machine', type: 'string'),
    new OA\Property(property: 'board', type: 'string'), new OA\Property(property: 'title', type: 'string'), new OA\Property(property: 'owner', type: 'string'),
    new OA\Property(property: 'at', type: 'string', format: 'date-time'), new OA\Property(property: 'allowance_minutes', type: 'integer'),
])]
#[OA\Schema(schema: 'EntryBody', required: ['id', 'at'], properties: [
    new OA\Property(property: 'id', type: 'string', description: 'ULID made by the client: sending it twice stores it once'),
    new OA\Property(property: 'at', type: 'string', format: 'date-time'),
    new OA\Property(property: 'line', type: 'string', description: 'a quick line; excludes kind, text and data'),
    new OA\Property(property: 'kind', type: 'string', enum: \Ash\Logbook\EntryKind::class), new OA\Property(property: 'text', type: 'string'),
    new OA\Property(property: 'data', type: 'object', additionalProperties: true), new OA\Property(property: 'minutes', type: 'integer'),
    new OA\Property(property: 'stage', type: 'string', enum: \Ash\Logbook\Stage::class), new OA\Property(property: 'board', type: 'string'),
    new OA\Property(property: 'corrects', type: 'string'),
])]
#[OA\Schema(schema: 'LineBody', required: ['line'], properties: [new OA\Property(property: 'line', type: 'string')])]
#[OA\Schema(schema: 'RunBody', required: ['id'], properties: [
    new OA\Property(property: 'id', type: 'string', description: 'ULID'), new OA\Property(property: 'repeats', type: 'string'), new OA\Property(property: 'board', type: 'string'),
])]
#[OA\Schema(schema: 'TakeBody', required: ['id', 'at', 'meter', 'rail', 'test_point', 'load', 'what'], properties: [
    new OA\Property(property: 'id', type: 'string', description: 'ULID of the entry'), new OA\Property(property: 'at', type: 'string', format: 'date-time'),
    new OA\Property(property: 'meter', type: 'string'), new OA\Property(property: 'rail', type: 'string'), new OA\Property(property: 'test_point', type: 'string'),
    new OA\Property(property: 'load', type: 'string', enum: \Ash\Rails\Load::class), new OA\Property(property: 'what', type: 'string', enum: ['volts', 'ohms']),
    new OA\Property(property: 'corrects', type: 'string', description: 'the reading that this one corrects'),
])]
#[OA\Schema(schema: 'PhotoBody', required: ['id', 'entry', 'at', 'file'], properties: [
    new OA\Property(property: 'id', type: 'string', description: 'ULID of the photo'), new OA\Property(property: 'entry', type: 'string', description: 'ULID of its entry'),
    new OA\Property(property: 'at', type: 'string', format: 'date-time'), new OA\Property(property: 'caption', type: 'string'),
    new OA\Property(property: 'of', type: 'string', description: 'what it shows'), new OA\Property(property: 'phase', type: 'string', enum: ['before', 'after']),
    new OA\Property(property: 'file', type: 'string', format: 'binary', description: 'JPEG, PNG or WebP, at most 20 MB'),
])]
#[OA\Schema(schema: 'ContinuityBody', required: ['id', 'at', 'meter', 'place', 'lead_ohm'], properties: [
    new OA\Property(property: 'id', type: 'string', description: 'ULID of the entry'), new OA\Property(property: 'at', type: 'string', format: 'date-time'),
    new OA\Property(property: 'meter', type: 'string'), new OA\Property(property: 'place', type: 'string', nullable: true, description: 'entry of the survey; null with the probes together'),
    new OA\Property(property: 'lead_ohm', type: 'number'),
])]
#[OA\Schema(schema: 'MemoryTextBody', required: ['id', 'map', 'text'], properties: [
    new OA\Property(property: 'id', type: 'string', description: 'ULID'), new OA\Property(property: 'map', type: 'string', description: 'key of the memory in the profile'), new OA\Property(property: 'text', type: 'string'),
    new OA\Property(property: 'radix', type: 'integer'), new OA\Property(property: 'pattern', type: 'string', enum: \Ash\Memory\Pattern::class), new OA\Property(property: 'tested', type: 'array', items: new OA\Items(type: 'string')),
])]
#[OA\Schema(schema: 'MemoryCsvBody', required: ['id', 'map', 'file'], properties: [
    new OA\Property(property: 'id', type: 'string', description: 'ULID'), new OA\Property(property: 'map', type: 'string'), new OA\Property(property: 'radix', type: 'string'), new OA\Property(property: 'pattern', type: 'string'),
    new OA\Property(property: 'tested', type: 'string', description: 'bank names, comma-separated'), new OA\Property(property: 'file', type: 'string', format: 'binary', description: 'CSV with a header row, at most 100 MB'),
])]
#[OA\Schema(schema: 'CaptureBody', required: ['id', 'map', 'port'], properties: [
    new OA\Property(property: 'id', type: 'string', description: 'ULID'), new OA\Property(property: 'map', type: 'string'), new OA\Property(property: 'port', type: 'string'),
    new OA\Property(property: 'radix', type: 'integer'), new OA\Property(property: 'pattern', type: 'string', enum: \Ash\Memory\Pattern::class), new OA\Property(property: 'tested', type: 'array', items: new OA\Items(type: 'string')),
])]
#[OA\Schema(schema: 'ReadAgainBody', properties: [
    new OA\Property(property: 'text', type: 'string', description: 'of typed text, in place of the text before'),
    new OA\Property(property: 'radix', type: 'integer'), new OA\Property(property: 'pattern', type: 'string', enum: \Ash\Memory\Pattern::class), new OA\Property(property: 'tested', type: 'array', items: new OA\Items(type: 'string')),
])]
#[OA\Schema(schema: 'FitBody', required: ['fitted', 'candidate'], properties: [
    new OA\Property(property: 'fitted', type: 'string'), new OA\Property(property: 'candidate', type: 'string'),
    new OA\Property(property: 'required_access_ns'), new OA\Property(property: 'candidate_access_ns'),
])]
#[OA\Schema(schema: 'SumBody', required: ['modules', 'counted_kib'], properties: [
    new OA\Property(property: 'modules', type: 'array', items: new OA\Items(type: 'object', required: ['name', 'kib'], properties: [new OA\Property(property: 'name', type: 'string'), new OA\Property(property: 'kib')])), new OA\Property(property: 'counted_kib'),
])]
#[OA\Schema(schema: 'CoverageBody', required: ['test', 'words'], properties: [new OA\Property(property: 'test', type: 'string'), new OA\Property(property: 'words')])]
#[OA\Schema(schema: 'TestTimeBody', required: ['test', 'words', 'cycle_s'], properties: [new OA\Property(property: 'test', type: 'string'), new OA\Property(property: 'words'), new OA\Property(property: 'cycle_s', description: 's for each access')])]
#[OA\Schema(schema: 'SoakBody', required: ['passes', 'errors'], properties: [
    new OA\Property(property: 'passes'), new OA\Property(property: 'errors'), new OA\Property(property: 'confidence'), new OA\Property(property: 'target_rate'), new OA\Property(property: 'seconds_per_pass'),
])]
#[OA\Schema(schema: 'RowsBody', required: ['name', 'rows'], properties: [
    new OA\Property(property: 'name', type: 'string'), new OA\Property(property: 'rows', type: 'object', additionalProperties: true, description: 'radix, word_bits, chip, rows[] {name, start, words, first, bit_0: first or last, parity}'),
])]
#[OA\Schema(schema: 'DecodeBody', required: ['marking'], properties: [new OA\Property(property: 'marking', type: 'string'), new OA\Property(property: 'kind', type: 'string', enum: \Ash\Capacitors\Kind::class)])]
#[OA\Schema(schema: 'TakeCapacitanceBody', required: ['id', 'at', 'meter', 'what'], properties: [
    new OA\Property(property: 'id', type: 'string', description: 'ULID of the entry'), new OA\Property(property: 'at', type: 'string', format: 'date-time'), new OA\Property(property: 'meter', type: 'string'),
    new OA\Property(property: 'cap', type: 'string', description: 'designator or place'), new OA\Property(property: 'in_circuit', type: 'boolean'), new OA\Property(property: 'visual', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'esr_ohm'), new OA\Property(property: 'lead_ohm'), new OA\Property(property: 'sure', type: 'boolean'),
    new OA\Property(property: 'what', type: 'string', enum: \App\Capacitors\Take::class),
])]
#[OA\Schema(schema: 'ShelfBody', properties: [
    new OA\Property(property: 'id', type: 'string', description: 'ULID'), new OA\Property(property: 'sku', type: 'string'), new OA\Property(property: 'name', type: 'string'), new OA\Property(property: 'kind', type: 'string', nullable: true),
    new OA\Property(property: 'place', type: 'string'), new OA\Property(property: 'source', type: 'string', nullable: true), new OA\Property(property: 'donor_board', type: 'string', nullable: true), new OA\Property(property: 'tested', type: 'boolean'),
    new OA\Property(property: 'came_on', type: 'string', nullable: true), new OA\Property(property: 'safety_class', type: 'string', nullable: true),
    new OA\Property(property: 'marked_f'), new OA\Property(property: 'rated_v'), new OA\Property(property: 'quantity'), new OA\Property(property: 'low_at'), new OA\Property(property: 'esr_ohm'), new OA\Property(property: 'hours'), new OA\Property(property: 'temperature_c'), new OA\Property(property: 'diameter_mm'), new OA\Property(property: 'height_mm'), new OA\Property(property: 'pitch_mm'), new OA\Property(property: 'tolerance_minus_pct'), new OA\Property(property: 'tolerance_plus_pct'),
])]
#[OA\Schema(schema: 'MoveBody', required: ['id'], properties: [new OA\Property(property: 'id', type: 'string', description: 'ULID'), new OA\Property(property: 'change'), new OA\Property(property: 'counted'), new OA\Property(property: 'note', type: 'string', nullable: true)])]
#[OA\Schema(schema: 'ReservationBody', required: ['id', 'job', 'quantity'], properties: [new OA\Property(property: 'id', type: 'string', description: 'ULID'), new OA\Property(property: 'job', type: 'string'), new OA\Property(property: 'quantity')])]
#[OA\Schema(schema: 'FileBody', required: ['file'], properties: [new OA\Property(property: 'file', type: 'string', format: 'binary')])]
#[OA\Schema(schema: 'LinkBody', required: ['days'], properties: [new OA\Property(property: 'days', type: 'integer', minimum: 1, maximum: 90)])]
#[OA\Schema(schema: 'AnyDocument', type: 'object', additionalProperties: true)]
final readonly class RequestBodies
{
}
