@include('errors.page',
    ['title' => 'The database does not answer',
        'text' => 'Nothing is lost. This page works again as soon as it is back; load it again in a moment.'])
