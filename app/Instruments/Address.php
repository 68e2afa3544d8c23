<?php

declare(strict_types=1);

namespace App\Instruments;

use Ash\Document\Node;
use Symfony\Component\HttpFoundation\IpUtils;

/** Where a meter listens. Only loopback and private addresses, so that the server cannot be sent elsewhere; no names, which could be re-pointed. */
final readonly class Address
{
    /** RFC 1122 3.2.1.3 (loopback), RFC 1918, RFC 4291 2.5.3, RFC 4193. Link-local is not among them: services of a host's own listen there. */
    private const ALLOWED = ['127.0.0.0/8', '10.0.0.0/8', '172.16.0.0/12', '192.168.0.0/16', '::1/128', 'fc00::/7'];

    public function __construct(public string $host, public int $port)
    {
    }

    public static function host(Node $node): string
    {
        $ip = $node->text(45);

        return filter_var($ip, FILTER_VALIDATE_IP) !== false && IpUtils::checkIp($ip, self::ALLOWED)
            ? $ip
            : $node->refuse('must be a loopback or private IP address, such as 127.0.0.1 or 192.168.1.20');
    }

    public function uri(): string
    {
        return str_contains($this->host, ':') ? "tcp://[{$this->host}]:{$this->port}" : "tcp://{$this->host}:{$this->port}";
    }
}
