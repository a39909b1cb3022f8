@include('errors.page', ['title' => 'Too fast', 'text' => 'Wait a minute, then try again.'])
