<?php

declare(strict_types=1);

namespace Elmstone\Support\Http;

use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Illuminate\Http\Request;

/** A way of paying as it was chosen on a page. What is none is never taken for another. */
final class TypedWay
{
    /**
     * @param  TenderKind  $unsaid where nothing was chosen
     *
     * @throws Refused bad_tender
     */
    public static function of(Request $request, string $field, TenderKind $unsaid): TenderKind
    {
        $typed = $request->string($field)->value();

        return $typed === '' ? $unsaid : TenderKind::tryFrom($typed) ?? throw self::unknown();
    }

    public static function unknown(): Refused
    {
        return Refused::because('bad_tender', 'That is not a way of paying here.');
    }
}
