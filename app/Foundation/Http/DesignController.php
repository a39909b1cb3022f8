<?php

declare(strict_types=1);

namespace Elmstone\Foundation\Http;

use Illuminate\Contracts\View\View;

/** Every part the pages are made of, on one page, for whoever builds on it. */
final class DesignController
{
    public function __invoke(): View
    {
        return view('design.show');
    }
}
