<?php

declare(strict_types=1);

return [
    'disks' => [
        // Nothing of it is served: what is kept there goes out through pages that ask who wants it.
        'local' => ['driver' => 'local', 'root' => storage_path('app/private'), 'serve' => false, 'throw' => false],
    ],
];
