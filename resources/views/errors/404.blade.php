@include('errors.page',
    ['title' => 'Not here',
        'text' => 'There is nothing at this address. The document or item may have another number.'])
