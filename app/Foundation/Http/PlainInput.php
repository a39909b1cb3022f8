<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Http;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * What no form of ours sends is turned away at the door, so that no page has to reckon with it: a list where one value
 * belongs, bytes that are no text, more fields than any page has.
 */
final class PlainInput
{
    /** Fields of which a form sends several, wherever they are. */
    private const LISTS = [
        'accounts', 'addresses', 'amounts', 'batches', 'belongings', 'breaks', 'contacts', 'contract', 'departments',
        'entries', 'exempt', 'names', 'on', 'paid_cheques', 'promotions', 'rows', 'tags', 'ticked',
    ];

    /** Fields of which only some pages send several: by address. */
    private const OF_PAGES = [
        'counter/*/back' => ['back'],
        'deliveries/*' => ['quantity'],
        'letters/settings' => ['after', 'fee', 'words'],
        'families/*' => ['cell'],
        'owners/*' => ['quantity', 'serials'],
        'rewards/terms' => ['rate'],
        'markdowns' => ['shown', 'take'],
        'markdowns/steps' => ['after', 'percent'],
        'layaways/*' => ['back', 'drop', 'quantity', 'serials'],
        'orders/*' => ['quantity', 'serials'],
        'purchases/*' => ['cell', 'cost', 'quantity', 'refused', 'serials', 'why', 'worth'],
        'transfers/*' => ['arrived', 'missing', 'serials'],
        'quotes/*' => ['confirmed', 'quantity'],
        'customers/level-prices' => ['price'],
        'setup/*' => ['classes', 'departments', 'places', 'profiles', 'tills'],
        'settings/*' => ['classes', 'departments', 'places', 'profiles', 'tills'],
        'rights' => ['may'],
        'staff/*/places' => ['at'],
        'customers' => ['refused', 'refused_why'],
        'customers/*' => ['refused', 'refused_why'],
    ];

    /** The largest page of ours has a few hundred. */
    private const MOST_FIELDS = 5000;

    /** How deep lists may stand in lists. */
    private const DEEPEST = 3;

    /** Taxes have changes in components in profiles. */
    private const DEEPEST_OF_TAXES = 6;

    private int $fields = 0;

    private int $deepest = self::DEEPEST;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $this->fields = 0;
        $this->deepest = $request->is('setup/taxes', 'settings/taxes') ? self::DEEPEST_OF_TAXES : self::DEEPEST;
        $lists = [...self::LISTS, ...$this->ofPage($request)];

        foreach ([...$request->query->all(), ...$request->request->all()] as $field => $value) {
            if (is_array($value) && ! in_array($field, $lists, true)) {
                return $this->refused("“{$field}” takes one value.");
            }

            if (! $this->isPlain($value, 0)) {
                return $this->refused('What was sent cannot be read as text, or is more than a page here has.');
            }
        }

        return $next($request);
    }

    /** @return list<string> the limits' page has a list for each matter; a layaway's piece has its numbers */
    private function ofPage(Request $request): array
    {
        $several = array_filter(
            self::OF_PAGES,
            static fn (string $page): bool => $request->is($page),
            ARRAY_FILTER_USE_KEY,
        );

        return [
            ...array_merge(...array_values($several)),
            ...$request->is('limits/*') ? array_map(strval(...), array_keys($request->request->all())) : [],
        ];
    }

    private function isPlain(mixed $value, int $depth): bool
    {
        if (++$this->fields > self::MOST_FIELDS || $depth > $this->deepest) {
            return false;
        }

        if (! is_array($value)) {
            return ! is_string($value) || (mb_check_encoding($value, 'UTF-8') && ! str_contains($value, "\0"));
        }

        foreach ($value as $name => $inner) {
            if (! mb_check_encoding((string) $name, 'UTF-8') || ! $this->isPlain($inner, $depth + 1)) {
                return false;
            }
        }

        return true;
    }

    private function refused(string $why): Response
    {
        return response($why, 400, ['Content-Type' => 'text/plain; charset=UTF-8']);
    }
}
