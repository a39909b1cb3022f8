@include('errors.page',
    ['shows' => true, 'title' => 'Something broke',
        'text' => 'Nothing was half done. Try again; if it stays so, tell the office.'])
