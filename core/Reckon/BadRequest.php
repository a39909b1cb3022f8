<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use DomainException;
use Elmstone\Core\Money\Refused;

/** A request that cannot be reckoned: what is wrong and where in it. */
final class BadRequest extends DomainException
{
    /** @param  string  $path where it stands, such as "lines[0].quantity"; empty for the request as a whole */
    public function __construct(public readonly string $rule, string $message, public readonly string $path = '')
    {
        parent::__construct($message);
    }

    public static function at(string $path, Refused $refused): self
    {
        return new self($refused->rule, $refused->getMessage(), $path);
    }

    /** @return array{error: array{code: string, message: string, path: string}} */
    public function toArray(): array
    {
        return ['error' => ['code' => $this->rule, 'message' => $this->getMessage(), 'path' => $this->path]];
    }
}
