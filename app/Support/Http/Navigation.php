<?php

declare(strict_types=1);

namespace Elmstone\Support\Http;

use Illuminate\Http\Request;

/** Whether somebody goes to a page, or a page that stands there fetches a part of itself. */
final class Navigation
{
    public static function is(Request $request): bool
    {
        $mode = $request->headers->get('Sec-Fetch-Mode');

        return $request->headers->get('X-Requested-With') === null
            && ($mode === null || $mode === 'navigate')
            && ! in_array($request->headers->get('Sec-Fetch-Dest'), ['iframe', 'empty'], true);
    }
}
