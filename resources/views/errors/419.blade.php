@include('errors.page', ['title' => 'The page stood too long', 'text' => 'Go back and load it again; nothing is lost.'])
