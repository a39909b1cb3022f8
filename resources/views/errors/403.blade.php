@include('errors.page',
    ['title' => 'Not for you',
        'text' => 'This is for others here. Ask a supervisor, or let someone else serve by their name at the top.'])
