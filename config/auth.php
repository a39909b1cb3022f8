<?php

declare(strict_types=1);

return [
    'defaults' => ['guard' => 'web', 'passwords' => 'staff'],
    'guards' => ['web' => ['driver' => 'session', 'provider' => 'staff']],
    'providers' => ['staff' => ['driver' => 'eloquent', 'model' => Elmstone\Staff\Staff::class]],
];
