<?php

declare(strict_types=1);

return [
    Elmstone\Foundation\Providers\HouseProvider::class,
];
