<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Http;

use Illuminate\Routing\Route;
use Illuminate\Routing\UrlGenerator;

/**
 * Writes the addresses of pages. A page has a hundred of them, and nearly all are a fixed path with plain numbers and
 * keys in it: those are put together here, all others as the framework does it.
 */
final class Addresses extends UrlGenerator
{
    /** What stands in an address as it is (RFC 3986, unreserved). */
    private const PLAIN = '/^[A-Za-z0-9._~-]+$/D';

    /** @var array<string, list<string>> by path */
    private array $pieces = [];

    /**
     * @param  Route  $route
     * @param  mixed  $parameters
     * @param  bool  $absolute
     */
    public function toRoute($route, $parameters, $absolute): string
    {
        $values = is_array($parameters) ? $parameters : [$parameters];
        $pieces = $this->pieces[$route->uri()] ??= self::pieces($route);

        if (! $absolute || count($values) !== count($pieces) - 1 || ! self::arePlain($values)) {
            return parent::toRoute($route, $parameters, $absolute);
        }

        $path = $pieces[0];

        foreach ($values as $place => $value) {
            $path .= $value.$pieces[$place + 1];
        }

        return rtrim($this->formatRoot($this->formatScheme())."/{$path}", '/');
    }

    /**
     * What stands before, between and after the parameters of a path; nothing where there is more to it than a path.
     *
     * @return list<string>
     */
    private static function pieces(Route $route): array
    {
        $hasMore = $route->getDomain() !== null
            || $route->httpOnly()
            || $route->httpsOnly()
            || str_contains($route->uri(), '?}');

        return $hasMore ? [] : (preg_split('/\{\w+\}/', $route->uri()) ?: []);
    }

    /**
     * Whether all are given in their order, and as they can stand in an address.
     *
     * @param  array<array-key, mixed>  $values
     *
     * @phpstan-assert-if-true list<string|int> $values
     */
    private static function arePlain(array $values): bool
    {
        foreach ($values as $value) {
            if (! is_int($value) && ! (is_string($value) && preg_match(self::PLAIN, $value) === 1)) {
                return false;
            }
        }

        return array_is_list($values);
    }
}
