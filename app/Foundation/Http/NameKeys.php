<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Http;

use Closure;
use Elmstone\Support\Asked;
use Illuminate\Http\Request;
use Ramsey\Uuid\Uuid;
use Symfony\Component\HttpFoundation\Response;

/**
 * A page's key belongs to the page it was made for: under another address it is another key, and no key of a page can
 * be one the house makes itself. What is asked under it is kept as a digest.
 */
final class NameKeys
{
    private const KEYS = ['key', 'act'];

    /** What may differ when the same is asked again. */
    private const BESIDE = [
        '_token', 'key', 'act', 'version', 'approver', 'approver_pin', 'approver_reason', 'pin',
        'drawn',
    ];

    public function __construct(private readonly Asked $asked)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        foreach ($request->isMethod('post') ? self::KEYS : [] as $field) {
            $key = $request->input($field);

            if (is_string($key) && Uuid::isValid($key)) {
                $named = Uuid::uuid5(Uuid::NAMESPACE_URL, "{$field} /{$request->path()} {$key}")->toString();
                $this->asked->under($named, $this->digest($request));
                $request->merge([$field => $named]);
            }
        }

        return $next($request);
    }

    private function digest(Request $request): string
    {
        $body = array_diff_key($request->request->all(), array_flip(self::BESIDE));
        ksort($body);

        return hash('sha256', json_encode($body, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE));
    }
}
